package entaxis.core.sql;

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
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;

/** The spellings that ISO/IEC 9075-2, 6.1 gives to types, and how a spelling is cut into its parts. */
public final class SpelledTypes {

    private SpelledTypes() { }

    /** The ISO type of a spelling; anything else stays as it is spelled. */
    public static SqlType iso(TypeSpelling type) {
        OptionalInt first = type.number(0);
        return switch (type.name()) {
            case "char", "character", "nchar", "national char", "national character" ->
                    new CharacterType(Form.FIXED, OptionalInt.of(first.orElse(1)));
            case "varchar", "character varying", "char varying", "nvarchar", "national character varying",
                    "national char varying", "national varchar",
                    "nchar varying" -> new CharacterType(Form.VARYING, first);
            case "clob", "character large object", "char large object", "nclob", "nchar large object",
                    "national character large object", "text" -> SqlType.largeText();
            case "binary" -> new BinaryType(Form.FIXED, OptionalInt.of(first.orElse(1)));
            case "varbinary", "binary varying" -> new BinaryType(Form.VARYING, first);
            case "blob", "binary large object" -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case "tinyint" -> new IntegerType(IntegerSize.TINYINT, type.unsigned());
            case "smallint", "int2" -> new IntegerType(IntegerSize.SMALLINT, type.unsigned());
            case "int", "integer", "int4" -> new IntegerType(IntegerSize.INTEGER, type.unsigned());
            case "bigint", "int8" -> new IntegerType(IntegerSize.BIGINT, type.unsigned());
            case "numeric", "decimal", "dec" -> decimal(type);
            case "real", "float4" -> new FloatType(false);
            case "double precision", "double", "float8" -> new FloatType(true);
            case "float" -> new FloatType(first.orElse(53) > 24);
            case "boolean", "bool" -> new BooleanType();
            case "date" -> new DateType();
            case "time", "time without time zone" -> new TimeType(first, false);
            case "time with time zone", "timetz" -> new TimeType(first, true);
            case "timestamp", "timestamp without time zone" -> new TimestampType(first, false);
            case "timestamp with time zone", "timestamptz", "timestamp with local time zone" ->
                    new TimestampType(first, true);
            case "uuid" -> new UuidType();
            case "json" -> new JsonType();
            case "enum" -> new EnumType(type.arguments());
            default -> type.name().startsWith("interval") ? interval(type) : new NativeType(plain(type.text()));
        };
    }

    private static SqlType decimal(TypeSpelling type) {
        return type.number(0).isEmpty() ? new DecimalType(OptionalInt.empty(), OptionalInt.empty())
                : new DecimalType(type.number(0), OptionalInt.of(type.number(1).orElse(0)));
    }

    private static SqlType interval(TypeSpelling type) {
        String[] words = type.name().split(" ");
        Optional<IntervalField> from = words.length > 1 ? field(words[1]) : Optional.of(IntervalField.DAY);
        Optional<IntervalField> to = words.length == 1 ? Optional.of(IntervalField.SECOND)
                : words.length == 4 && words[2].equals("to") ? field(words[3]) : Optional.empty();
        boolean understood = from.isPresent() && (words.length <= 2 || to.isPresent());
        return understood ? new IntervalType(from.get(), to) : new NativeType(plain(type.text()));
    }

    /** A spelling in small letters, unless names or texts in quotes are part of it. */
    public static String plain(String spelled) {
        return spelled.indexOf('"') >= 0 || spelled.indexOf('\'') >= 0 ? spelled : spelled.toLowerCase(Locale.ROOT);
    }

    private static Optional<IntervalField> field(String word) {
        return java.util.Arrays.stream(IntervalField.values()).filter(field -> field.name().equalsIgnoreCase(word))
                .findFirst();
    }

    /** An array of what the brackets stand behind. */
    public static SqlType array(SqlType element, int dimensions) {
        SqlType type = element;
        for (int i = 0; i < dimensions; i++) {
            type = new ArrayType(type);
        }
        return type;
    }

    /** Cuts a spelling into name, arguments and marks. Linear. */
    public static TypeSpelling cut(String spelled) {
        StringBuilder name = new StringBuilder();
        List<String> arguments = new ArrayList<>();
        StringBuilder argument = new StringBuilder();
        boolean inside = false;
        boolean unsigned = false;
        boolean pastBrackets = false;
        for (int at = 0; at < spelled.length();) {
            char c = spelled.charAt(at);
            if (inside && (c == '\'' || c == '"')) {
                argument.setLength(0);
                at = value(spelled, at, argument);
                arguments.add(argument.toString());
                argument.setLength(0);
            } else if (c == '(' && !inside && !pastBrackets) {
                inside = true;
                at++;
            } else if (inside && (c == ',' || c == ')')) {
                if (!argument.toString().isBlank()) {
                    arguments.add(argument.toString().strip().toLowerCase(Locale.ROOT));
                }
                argument.setLength(0);
                inside = c == ',';
                pastBrackets = !inside;
                at++;
            } else if (inside) {
                argument.append(c);
                at++;
            } else if (Character.isWhitespace(c)) {
                if (!name.isEmpty() && name.charAt(name.length() - 1) != ' ') {
                    name.append(' ');
                }
                at++;
            } else {
                if (pastBrackets && !name.isEmpty() && name.charAt(name.length() - 1) != ' ') {
                    name.append(' ');
                }
                pastBrackets = false;
                name.append(Character.toLowerCase(c));
                at++;
            }
        }
        String words = (" " + name.toString().strip() + " ");
        if (words.contains(" unsigned ")) {
            unsigned = true;
        }
        words = words.replace(" unsigned ", " ").replace(" zerofill ", " ").replace(" signed ", " ").strip();
        return new TypeSpelling(words, arguments, unsigned, spelled);
    }

    /** Takes the text of a quoted value, a doubled quote being one of its signs; gives the place behind it. */
    private static int value(String spelled, int start, StringBuilder value) {
        char quote = spelled.charAt(start);
        int at = start + 1;
        while (at < spelled.length()) {
            char c = spelled.charAt(at++);
            if (c == quote) {
                if (at == spelled.length() || spelled.charAt(at) != quote) {
                    return at;
                }
                at++;
            }
            value.append(c);
        }
        return at;
    }
}
