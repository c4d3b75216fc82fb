package entaxis.core.type;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;

/**
 * A data type: one of the predefined types of ISO/IEC 9075-2, 6.1, or an engine's own. Compared by value; {@link
 * #text()} can be read back.
 */
public sealed interface SqlType {

    /** Whether a character or binary string has a fixed length, a varying one up to a limit, or is a large object. */
    enum Form { FIXED, VARYING, LARGE }

    /** Character string; the length counts characters. */
    record CharacterType(Form form, OptionalInt length) implements SqlType { }

    /** Binary string; the length counts bytes. */
    record BinaryType(Form form, OptionalInt length) implements SqlType { }

    /** Size of an integer type, in bytes. */
    enum IntegerSize {
        TINYINT(1), SMALLINT(2), INTEGER(4), BIGINT(8);

        private final int bytes;

        IntegerSize(int bytes) {
            this.bytes = bytes;
        }

        /** Bytes that one value takes. */
        public int bytes() {
            return bytes;
        }
    }

    /** Whole number of a given size; unsigned doubles the range of positive values (common practice). */
    record IntegerType(IntegerSize size, boolean unsigned) implements SqlType { }

    /** Exact decimal number; precision counts all digits, scale those behind the point. */
    record DecimalType(OptionalInt precision, OptionalInt scale) implements SqlType { }

    /** Approximate number: REAL or DOUBLE PRECISION. */
    record FloatType(boolean doublePrecision) implements SqlType { }

    /** True or false. */
    record BooleanType() implements SqlType { }

    /** Calendar day. */
    record DateType() implements SqlType { }

    /** Time of day; precision counts digits of the fraction of a second. */
    record TimeType(OptionalInt precision, boolean withTimeZone) implements SqlType { }

    /** Moment or local date and time; precision counts digits of the fraction of a second. */
    record TimestampType(OptionalInt precision, boolean withTimeZone) implements SqlType { }

    /** Field of an interval, from long to short. */
    enum IntervalField { YEAR, MONTH, DAY, HOUR, MINUTE, SECOND }

    /** Span of time from one field to another. */
    record IntervalType(IntervalField from, Optional<IntervalField> to) implements SqlType { }

    /** Universally unique identifier. */
    record UuidType() implements SqlType { }

    /** JSON text (ISO/IEC 9075-2:2023). */
    record JsonType() implements SqlType { }

    /** An engine's own type, spelled as that engine does. */
    record NativeType(String spelling) implements SqlType { }

    /**
     * A type that the design defines under a name: a domain, an enumeration or a structured type.
     *
     * @param id identity of the definition, which stays when its name changes
     */
    record DesignType(String id) implements SqlType { }

    /**
     * One of the listed texts, where the list belongs to the column and has no name of its own (MySQL manual, “The ENUM
     * Type”; H2 manual, “ENUM”).
     */
    record EnumType(List<String> values) implements SqlType {
        /** Copies the values. */
        public EnumType {
            values = List.copyOf(values);
        }
    }

    /** Many values of one type in order (ISO/IEC 9075-2, 4.10.2). */
    record ArrayType(SqlType element) implements SqlType { }

    /**
     * A type that was created under a name.
     *
     * @param namespace the schema that it is in; empty for the default one
     */
    record UserType(String namespace, String name) implements SqlType {
        /** A type of the default schema. */
        public static UserType of(String name) {
            return new UserType("", name);
        }

        /** Its name, with its schema unless that is the default one. */
        public String label() {
            return namespace.isEmpty() ? name : namespace + "." + name;
        }
    }

    /** The type spelled in ISO words, lower case; {@link TypeReader} reads it back to an equal type. */
    default String text() {
        return switch (this) {
            case CharacterType(Form form, OptionalInt length) -> switch (form) {
                case FIXED -> "char" + brackets(length);
                case VARYING -> "varchar" + brackets(length);
                case LARGE -> "text";
            };
            case BinaryType(Form form, OptionalInt length) -> switch (form) {
                case FIXED -> "binary" + brackets(length);
                case VARYING -> "varbinary" + brackets(length);
                case LARGE -> "blob";
            };
            case IntegerType(IntegerSize size, boolean unsigned) -> lower(size) + (unsigned ? " unsigned" : "");
            case DecimalType(OptionalInt precision, OptionalInt scale) -> precision.isEmpty() ? "numeric"
                    : "numeric(" + precision.getAsInt() + (scale.isPresent() ? "," + scale.getAsInt() : "") + ")";
            case FloatType(boolean twice) -> twice ? "double precision" : "real";
            case BooleanType() -> "boolean";
            case DateType() -> "date";
            case TimeType(OptionalInt precision, boolean zone) ->
                    "time" + brackets(precision) + (zone ? " with time zone" : "");
            case TimestampType(OptionalInt precision, boolean zone) ->
                    "timestamp" + brackets(precision) + (zone ? " with time zone" : "");
            case IntervalType(IntervalField from, Optional<IntervalField> to) ->
                    "interval " + lower(from) + to.map(field -> " to " + lower(field)).orElse("");
            case UuidType() -> "uuid";
            case JsonType() -> "json";
            case NativeType(String spelling) -> spelling;
            case EnumType(List<String> values) -> values.stream().map(value -> "'" + value.replace("'", "''") + "'")
                    .collect(Collectors.joining(", ", "enum(", ")"));
            case ArrayType(SqlType element) -> element.text() + "[]";
            case DesignType(String id) -> "@" + id;
            case UserType user -> user.label();
        };
    }

    /** Text of any length. */
    static SqlType largeText() {
        return new CharacterType(Form.LARGE, OptionalInt.empty());
    }

    /** Text of up to {@code length} characters. */
    static SqlType varchar(int length) {
        return new CharacterType(Form.VARYING, OptionalInt.of(length));
    }

    /** Signed four-byte whole number. */
    static SqlType integer() {
        return new IntegerType(IntegerSize.INTEGER, false);
    }

    private static String brackets(OptionalInt number) {
        return number.isPresent() ? "(" + number.getAsInt() + ")" : "";
    }

    private static String lower(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }
}
