package entaxis.core.type;

import entaxis.core.token.Token.Kind;
import entaxis.core.token.TokenCursor;
import entaxis.core.token.Token;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DateType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.IntervalField;
import entaxis.core.type.SqlType.IntervalType;
import entaxis.core.type.SqlType.JsonType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.TimeType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType.UuidType;
import entaxis.core.type.TypeReading.Known;
import entaxis.core.type.TypeReading.Unknown;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Reads a data type as people write it: ISO spellings, the engines' everyday synonyms, and the engines' own types by
 * name.
 */
public final class TypeReader {
    /** Longest string and largest precision that an engine in use takes. */
    private static final int MAX_LENGTH = 10_485_760;
    private static final int MAX_PRECISION = 1000;
    private static final int MAX_FRACTION_DIGITS = 6;

    /** Types that only one engine has, carried as spelled. PostgreSQL manual, chapter 8. */
    private static final Set<String> NATIVE =
            Set.of("jsonb", "inet", "cidr", "macaddr", "macaddr8", "xml", "tsvector", "tsquery", "point", "line",
                    "lseg", "box", "path", "polygon", "circle", "int4range", "int8range", "numrange", "daterange",
                    "tsrange", "tstzrange");

    /** Every word that a type can begin with, offered when typing and for near misses. */
    private static final List<String> WORDS =
            List.of("varchar", "char", "character", "text", "integer", "int", "smallint", "bigint", "tinyint",
                    "numeric", "decimal", "number", "real", "double precision", "float", "boolean", "date", "time",
                    "timestamp", "timestamptz", "datetime",
            "interval", "uuid", "json", "blob", "binary", "varbinary", "bytea", "jsonb", "inet", "xml");

    private TypeReader() { }

    /** Spellings to offer while a type is typed, the commonest first. */
    public static List<String> offered() {
        return List.of("varchar(60)", "text", "char(2)", "integer", "smallint", "bigint", "numeric(9,2)", "boolean",
                "date", "time",
                "timestamp with time zone", "timestamp", "double precision", "real", "uuid", "json",
                "interval day to second", "varbinary(32)", "blob");
    }

    /** Reads a whole text as one type. */
    public static TypeReading read(String text) {
        return read(text, TypeNames.NONE);
    }

    /** Reads a whole text as one type, also one that a design defines. */
    public static TypeReading read(String text, TypeNames names) {
        TokenCursor cursor = TokenCursor.withComments(text);
        if (cursor.atEnd()) {
            return new Unknown("No type is given; write for example varchar(60), integer or date.");
        }
        TypeReading reading = read(cursor, names);
        return reading instanceof Known && !cursor.atEnd()
                ? new Unknown("“" + cursor.peek().text() + "” after the type is not understood; a type ends there.")
                : reading;
    }

    /** Whether a word already begins a type, so that no other type can be called so. */
    public static boolean taken(String word) {
        return read(word) instanceof Known || WORDS.contains(word.toLowerCase(Locale.ROOT));
    }

    /**
     * Reads a type where the cursor stands and passes it; the names of the design's own types come first, brackets
     * behind it make an array of it.
     */
    public static TypeReading read(TokenCursor cursor, TypeNames names) {
        TypeReading reading = one(cursor, names);
        while (reading instanceof Known(SqlType element) && (cursor.accept("[", "]") || cursor.accept("array"))) {
            reading = new Known(new ArrayType(element));
        }
        return reading;
    }

    private static TypeReading one(TokenCursor cursor, TypeNames names) {
        if (cursor.peek().isName()) {
            Optional<SqlType> defined = names.find(cursor.peek().name());
            if (defined.isPresent()) {
                cursor.next();
                return new Known(defined.get());
            }
        }
        Token first = cursor.next();
        if (first.kind() != Kind.WORD) {
            return unknown(first.text());
        }
        String word = first.text().toLowerCase(Locale.ROOT);
        return switch (word) {
            case "char", "nchar", "character", "national" -> character(cursor, word);
            case "varchar", "nvarchar", "varchar2", "nvarchar2", "string" ->
                    sized(cursor, length -> new CharacterType(Form.VARYING, length));
            case "text", "clob", "nclob", "longtext", "mediumtext", "tinytext", "ntext" ->
                    new Known(SqlType.largeText());
            case "binary" -> binary(cursor);
            case "varbinary", "raw" -> sized(cursor, length -> new BinaryType(Form.VARYING, length));
            case "blob", "bytea", "image", "longblob" -> new Known(new BinaryType(Form.LARGE, OptionalInt.empty()));
            case "tinyint" -> integer(cursor, IntegerSize.TINYINT);
            case "smallint", "int2" -> integer(cursor, IntegerSize.SMALLINT);
            case "integer", "int", "int4", "mediumint" -> integer(cursor, IntegerSize.INTEGER);
            case "bigint", "int8" -> integer(cursor, IntegerSize.BIGINT);
            case "numeric", "decimal", "dec", "number" -> decimal(cursor);
            case "real", "float4" -> new Known(new FloatType(false));
            case "double" -> {
                cursor.accept("precision");
                yield new Known(new FloatType(true));
            }
            case "float8" -> new Known(new FloatType(true));
            case "float" ->
                    sized(cursor, MAX_PRECISION, digits -> new FloatType(digits.isEmpty() || digits.getAsInt() > 24));
            case "boolean", "bool" -> new Known(new BooleanType());
            case "date" -> new Known(new DateType());
            case "time", "timetz" -> sized(cursor, MAX_FRACTION_DIGITS,
                    digits -> new TimeType(digits, zone(cursor) || word.equals("timetz")));
            case "timestamp", "timestamptz", "datetime", "datetimeoffset", "datetime2" ->
                    sized(cursor, MAX_FRACTION_DIGITS, digits ->
                    new TimestampType(digits,
                            zone(cursor) || word.equals("timestamptz") || word.equals("datetimeoffset")));
            case "interval" -> interval(cursor);
            case "uuid", "uniqueidentifier" -> new Known(new UuidType());
            case "json" -> new Known(new JsonType());
            case "enum" -> listed(cursor);
            default -> NATIVE.contains(word) ? new Known(new NativeType(word)) : unknown(first.text());
        };
    }

    private static TypeReading character(TokenCursor cursor, String first) {
        if (first.equals("national") && !cursor.accept("character") && !cursor.accept("char")) {
            return new Unknown("“national” is followed by char or character varying.");
        }
        if (cursor.accept("large", "object")) {
            return new Known(SqlType.largeText());
        }
        Form form = cursor.accept("varying") ? Form.VARYING : Form.FIXED;
        return sized(cursor, length -> new CharacterType(form, length));
    }

    private static TypeReading binary(TokenCursor cursor) {
        if (cursor.accept("large", "object")) {
            return new Known(new BinaryType(Form.LARGE, OptionalInt.empty()));
        }
        Form form = cursor.accept("varying") ? Form.VARYING : Form.FIXED;
        return sized(cursor, length -> new BinaryType(form, length));
    }

    private static TypeReading integer(TokenCursor cursor, IntegerSize size) {
        TypeReading reading = sized(cursor, ignoredDisplayWidth -> new IntegerType(size, false));
        return reading instanceof Known && cursor.accept("unsigned") ? new Known(new IntegerType(size, true)) : reading;
    }

    private static TypeReading decimal(TokenCursor cursor) {
        if (!cursor.peek().is("(")) {
            return new Known(new DecimalType(OptionalInt.empty(), OptionalInt.empty()));
        }
        cursor.next();
        OptionalInt precision = number(cursor.next(), MAX_PRECISION);
        OptionalInt scale = OptionalInt.empty();
        boolean hasScale = cursor.accept(",");
        if (hasScale) {
            scale = number(cursor.next(), MAX_PRECISION);
        }
        if (precision.isEmpty() || precision.getAsInt() == 0 || hasScale && scale.isEmpty() || !cursor.accept(")")) {
            return new Unknown("A decimal type has digits and decimals, as in numeric(9,2).");
        }
        if (scale.isPresent() && scale.getAsInt() > precision.getAsInt()) {
            return new Unknown("numeric(" + precision.getAsInt() + "," + scale.getAsInt()
                    + ") has more decimals than digits; the first number counts all digits.");
        }
        return new Known(new DecimalType(precision, scale));
    }

    private static TypeReading listed(TokenCursor cursor) {
        List<String> values = new ArrayList<>();
        boolean open = cursor.accept("(");
        do {
            Token value = cursor.next();
            if (value.kind() != Kind.STRING) {
                return new Unknown(
                        "The values of an enumeration stand in quotes and brackets, as in enum('open', 'closed').");
            }
            values.add(value.string());
        } while (cursor.accept(","));
        return open && cursor.accept(")") ? new Known(new EnumType(values))
                : new Unknown("The bracket after the values of the enumeration is not closed.");
    }

    private static TypeReading interval(TokenCursor cursor) {
        Optional<IntervalField> from = field(cursor);
        if (from.isEmpty()) {
            return new Known(new IntervalType(IntervalField.DAY, Optional.of(IntervalField.SECOND)));
        }
        if (!cursor.accept("to")) {
            return new Known(new IntervalType(from.get(), Optional.empty()));
        }
        Optional<IntervalField> to = field(cursor);
        boolean oneFamily = to.isPresent() && (from.get() == IntervalField.YEAR) == (to.get() == IntervalField.MONTH);
        if (!oneFamily || to.get().compareTo(from.get()) <= 0) {
            return new Unknown(
                    "An interval runs from a longer to a shorter field: year to month, or day to hour, minute or "
                            + "second.");
        }
        return new Known(new IntervalType(from.get(), to));
    }

    private static Optional<IntervalField> field(TokenCursor cursor) {
        Optional<IntervalField> found = java.util.Arrays.stream(IntervalField.values())
                .filter(field -> cursor.peek().is(field.name())).findFirst();
        found.ifPresent(field -> cursor.next());
        return found;
    }

    private static boolean zone(TokenCursor cursor) {
        cursor.accept("without", "time", "zone");
        return cursor.accept("with", "time", "zone") || cursor.accept("with", "local", "time", "zone");
    }

    private static TypeReading sized(TokenCursor cursor, java.util.function.Function<OptionalInt, SqlType> type) {
        return sized(cursor, MAX_LENGTH, type);
    }

    private static TypeReading sized(TokenCursor cursor, int max,
            java.util.function.Function<OptionalInt, SqlType> type) {
        if (!cursor.peek().is("(")) {
            return new Known(type.apply(OptionalInt.empty()));
        }
        cursor.next();
        Token digits = cursor.next();
        OptionalInt number = number(digits, max);
        boolean zeroAllowed = max == MAX_FRACTION_DIGITS;
        if (number.isEmpty() || number.getAsInt() == 0 && !zeroAllowed) {
            return new Unknown("“" + digits.text() + "” is not a size; a whole number from " + (zeroAllowed ? 0 : 1)
                    + " to " + max + " stands in the brackets.");
        }
        boolean unit = cursor.accept("char") || cursor.accept("byte");
        return cursor.accept(")") ? new Known(type.apply(number))
                : new Unknown("The bracket after the size is not closed" + (unit ? " after its unit." : "."));
    }

    private static OptionalInt number(Token token, int max) {
        if (!token.isWholeNumber() || token.text().length() > 9) {
            return OptionalInt.empty();
        }
        int value = Integer.parseInt(token.text());
        return value <= max ? OptionalInt.of(value) : OptionalInt.empty();
    }

    private static Unknown unknown(String word) {
        List<String> near = new ArrayList<>(WORDS);
        near.sort(Comparator.comparingInt(candidate -> distance(word.toLowerCase(Locale.ROOT), candidate)));
        String best = near.getFirst();
        boolean close =
                !word.isEmpty() && distance(word.toLowerCase(Locale.ROOT), best) <= Math.max(1, word.length() / 3);
        return new Unknown("“" + word + "” is not a type known here" + (close ? "; did you mean " + best + "?"
                : "; write for example varchar(60), integer, numeric(9,2), date or timestamp."));
    }

    /** Edit distance (Levenshtein), in time and space of the product of the lengths; both words are short. */
    private static int distance(String a, String b) {
        if (a.length() > 40) {
            return a.length();
        }
        int[] row = IntStream.rangeClosed(0, b.length()).toArray();
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int substituted = diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(substituted, 1 + Math.min(row[j], row[j - 1]));
            }
        }
        return row[b.length()];
    }
}
