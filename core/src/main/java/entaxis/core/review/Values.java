package entaxis.core.review;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Entity;
import entaxis.core.design.Enumeration;
import entaxis.core.design.NamedType;
import entaxis.core.design.Naming;
import entaxis.core.design.SampleRow;
import entaxis.core.expression.SqlValue;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DateType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Whether plain values fit the types of columns, as ISO/IEC 9075-2 has it (4.2 to 4.6). Only what is certain is said:
 * what is not understood fits.
 */
public final class Values {
    private static final Pattern TEXT = Pattern.compile("(?is)(?:date\\s+)?'((?:[^']|'')*)'");
    private static final Pattern NUMBER = Pattern.compile("[-+]?(?:\\d+(?:\\.\\d*)?|\\.\\d+)(?:[eE][-+]?\\d+)?");
    private static final Pattern DAY = Pattern.compile("(\\d{4})-(\\d{2})-(\\d{2})");
    private static final Set<String> TRUTH =
            Set.of("true", "false", "t", "f", "yes", "no", "y", "n", "on", "off", "1", "0");
    private static final int MAX_NUMBER_LENGTH = 60;

    private Values() { }

    /** The value that an expression states, if it is a single literal. */
    public static Optional<String> literal(String expression) {
        String text = expression.strip();
        Matcher quoted = TEXT.matcher(text);
        return quoted.matches() ? Optional.of(quoted.group(1).replace("''", "'"))
                : NUMBER.matcher(text).matches() ? Optional.of(text) : Optional.empty();
    }

    /** Why a value does not fit a type, in words that follow a colon; nothing if it fits. */
    public static Optional<String> unfit(Reviewed of, SqlType type, String value) {
        Optional<NamedType> named = of.design().definition(type);
        if (named.isPresent() && named.get() instanceof Enumeration enumeration) {
            return listed(of, enumeration.values(), value);
        }
        return switch (of.plain(type)) {
            case EnumType(List<String> values) -> listed(of, values, value);
            case CharacterType(Form form, OptionalInt length) -> tooLong(form, length, value);
            case IntegerType integer -> whole(integer, value);
            case DecimalType(OptionalInt precision, OptionalInt scale) -> exact(precision, scale, value);
            case FloatType any ->
                    number(value).isEmpty() ? Optional.of("“" + value + "” is no number") : Optional.empty();
            case DateType any -> day(value);
            case BooleanType any -> TRUTH.contains(value.strip().toLowerCase(Locale.ROOT)) ? Optional.empty()
                    : Optional.of("“" + value + "” is neither true nor false");
            default -> Optional.empty();
        };
    }

    /**
     * How grave a value is that does not fit a type: a fault where the engine refuses it, a caution where it keeps it
     * all the same.
     */
    public static Level misfit(Reviewed of, SqlType type) {
        boolean listed = of.plain(type) instanceof EnumType
                || of.design().definition(type).filter(Enumeration.class::isInstance).isPresent();
        return listed || of.dialect().holdsTypes() ? Level.FAULT : Level.CAUTION;
    }

    /** A value as conditions compare it, by its type; unclear where engines differ. */
    public static SqlValue typed(Reviewed of, SqlType type, String value) {
        return switch (of.plain(type)) {
            case IntegerType any -> SqlValue.number(value);
            case DecimalType(OptionalInt precision, OptionalInt scale) ->
                    SqlValue.number(value) instanceof SqlValue.Numeric(BigDecimal number)
                            && number.stripTrailingZeros().scale()
                                    <= scale.orElse(precision.isPresent() ? 0 : MAX_NUMBER_LENGTH)
                                            ? new SqlValue.Numeric(number) : SqlValue.UNCLEAR;
            case DateType any -> SqlValue.moment(value);
            case TimestampType(OptionalInt precision, boolean zoned) ->
                    zoned ? SqlValue.UNCLEAR : SqlValue.moment(value);
            case BooleanType any -> value.strip().equalsIgnoreCase("true") ? new SqlValue.Flag(true)
                    : value.strip().equalsIgnoreCase("false") ? new SqlValue.Flag(false) : SqlValue.UNCLEAR;
            case EnumType any -> new SqlValue.Text(value);
            case CharacterType(Form form, OptionalInt length) ->
                    value.isEmpty() || form == Form.FIXED && value.length() != length.orElse(1)
                    || !value.equals(value.stripTrailing()) ? SqlValue.UNCLEAR : new SqlValue.Text(value);
            default -> of.design().definition(type).filter(Enumeration.class::isInstance).isPresent()
                    ? new SqlValue.Text(value) : SqlValue.UNCLEAR;
        };
    }

    /**
     * Why what is typed into a cell of a row does not fit its column; nothing if it fits. {@code null} or nothing is no
     * value, {@code ''} an empty text. The type is the design's: a domain or enumeration is known there by its
     * definition.
     */
    public static Optional<String> unfitCell(Reviewed of, DerivedColumn column, String typed) {
        if (typed.isEmpty() || typed.equalsIgnoreCase("null")) {
            return Optional.empty();
        }
        return unfit(of, type(of, column), typed.equals("''") ? "" : typed);
    }

    /** The type of a column as the design has it. */
    public static SqlType type(Reviewed of, DerivedColumn column) {
        return of.attribute(column.path().attribute()).map(Attribute::type).orElse(column.column().type());
    }

    /**
     * Why a value of an attribute is refused by its type or by a condition, in words that follow a colon; nothing if it
     * is not.
     */
    public static Optional<String> refused(Reviewed of, Entity entity, Attribute own, String value) {
        return unfit(of, own.type(), value).or(() -> {
            if (of.table(entity.id()).checks().isEmpty() && of.design().definition(own.type()).isEmpty()) {
                return Optional.empty();
            }
            String column = of.column(entity.id(), own).name().toLowerCase(Locale.ROOT);
            SqlValue typed = typed(of, own.type(), value);
            return ColumnConditions
                    .broken(of, own, of.table(entity.id()).checks(),
                            name -> name.equals(column) ? typed : SqlValue.UNCLEAR, typed)
                    .map(condition -> "“" + value + "” breaks the condition " + condition);
        });
    }

    /** Whether one of some words, in lower case, stands in an attribute's name. */
    public static boolean named(Attribute own, Set<String> words) {
        return Naming.words(own.name()).stream().map(word -> word.toLowerCase(Locale.ROOT)).anyMatch(words::contains);
    }

    /** The finding that an attribute had better have another type; what is the matter follows its name. */
    public static Finding mistyped(RuleInfo info, Reviewed of, Entity entity, Attribute own, String matter,
            SqlType better) {
        return new Finding(info.id(), info.level(), List.of(of.about(entity, own)),
                "“" + own.name() + "” of “" + entity.name() + "” " + matter + ".",
                List.of(of.design().text(own.type())), retyped(of, entity, own, better));
    }

    /** The remedy that gives an attribute another type; none where its default or a sample value would not fit. */
    private static List<SuggestedChange> retyped(Reviewed of, Entity entity, Attribute own, SqlType type) {
        return !allFit(of, entity, own, type) ? List.of() : List.of(new SuggestedChange("Make it " + of.design()
                .text(type),
                new Change.AlterAttribute(entity.id(), own.id(), new AttributeAspect.Type(type))));
    }

    /** Whether the default and all sample values of an attribute would fit another type. */
    public static boolean allFit(Reviewed of, Entity entity, Attribute own, SqlType type) {
        return stored(own.id(), own.defaultValue(), of.rows(entity.id())).stream()
                .allMatch(value -> unfit(of, type, value).isEmpty());
    }

    /**
     * The values that an attribute is known to get: its default, if that is a literal, and those of the sample rows.
     */
    public static List<String> stored(AttributeId own, Optional<String> defaultValue, List<SampleRow> rows) {
        if (rows.isEmpty() && defaultValue.isEmpty()) {
            return List.of();
        }
        ColumnPath path = ColumnPath.own(own);
        return Stream.concat(defaultValue.flatMap(Values::literal).stream(),
                rows.stream().map(row -> row.values().getOrDefault(path, "").strip())
                .filter(value -> !value.isEmpty() && !value.equalsIgnoreCase("null"))).distinct().toList();
    }

    private static Optional<String> listed(Reviewed of, List<String> values, String value) {
        boolean among = values.contains(value)
                || of.dialect().enumerationsIgnoreCase() && values.stream().anyMatch(value.strip()::equalsIgnoreCase);
        return among ? Optional.empty() : Optional.of("“" + value + "” is not among " + String.join(", ", values));
    }

    /** Spaces at the end may be cut (ISO/IEC 9075-2, 9.2). */
    private static Optional<String> tooLong(Form form, OptionalInt length, String value) {
        int most = length.orElse(form == Form.FIXED ? 1 : Integer.MAX_VALUE);
        int characters = value.stripTrailing().codePointCount(0, value.stripTrailing().length());
        return form == Form.LARGE || characters <= most ? Optional.empty()
                : Optional.of("“" + value + "” has " + characters + " characters, of which " + most + " fit");
    }

    private static Optional<BigDecimal> number(String value) {
        String text = value.strip();
        return text.length() <= MAX_NUMBER_LENGTH && NUMBER.matcher(text).matches() ? Optional.of(new BigDecimal(text))
                : Optional.empty();
    }

    private static Optional<String> whole(IntegerType type, String value) {
        Optional<BigDecimal> number = number(value);
        if (number.isEmpty() || number.get().scale() < -MAX_NUMBER_LENGTH
                || number.get().precision() - number.get().scale() > MAX_NUMBER_LENGTH) {
            return Optional.of("“" + value + "” is no whole number that fits");
        }
        BigInteger given = number.get().setScale(0, java.math.RoundingMode.HALF_UP).toBigInteger();
        int bits = type.size().bytes() * 8;
        BigInteger most = BigInteger.ONE.shiftLeft(type.unsigned() ? bits : bits - 1).subtract(BigInteger.ONE);
        BigInteger least = type.unsigned() ? BigInteger.ZERO : most.add(BigInteger.ONE).negate();
        return given.compareTo(most) > 0 || given.compareTo(least) < 0
                ? Optional.of(value.strip() + " is not between " + least + " and " + most) : Optional.empty();
    }

    /** Digits behind the point may be cut, those before it may not. */
    private static Optional<String> exact(OptionalInt precision, OptionalInt scale, String value) {
        Optional<BigDecimal> number = number(value);
        if (number.isEmpty()) {
            return Optional.of("“" + value + "” is no number");
        }
        int before = number.get().precision() - number.get().scale();
        int room = precision.orElse(MAX_NUMBER_LENGTH) - scale.orElse(0);
        return number.get().signum() != 0 && before > Math.max(0, room)
                ? Optional.of(value.strip() + " has " + before + " digits before the point, of which "
                        + Math.max(0, room) + " fit")
                : Optional.empty();
    }

    /**
     * Days by the Gregorian calendar (ISO/IEC 9075-2, 4.6.2); what is not written as year, month and day is left to the
     * engine.
     */
    private static Optional<String> day(String value) {
        Matcher written = DAY.matcher(value.strip());
        if (!written.matches()) {
            return value.isBlank() ? Optional.of("an empty text is no date") : Optional.empty();
        }
        int year = Integer.parseInt(written.group(1));
        int month = Integer.parseInt(written.group(2));
        int day = Integer.parseInt(written.group(3));
        boolean leap = year % 4 == 0 && (year % 100 != 0 || year % 400 == 0);
        int days = month < 1 || month > 12 ? 0 : month == 2 ? leap ? 29 : 28
                : month == 4 || month == 6 || month == 9 || month == 11 ? 30 : 31;
        return day >= 1 && day <= days ? Optional.empty() : Optional.of("there is no " + value.strip());
    }
}
