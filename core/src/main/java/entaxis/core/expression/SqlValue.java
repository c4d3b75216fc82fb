package entaxis.core.expression;

import java.math.BigDecimal;
import java.text.Normalizer;
import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A value that an expression comes to. */
public sealed interface SqlValue {
    /** No value. */
    SqlValue MISSING = new Missing();
    /** A value that only an engine can tell. */
    SqlValue UNCLEAR = new Unclear();

    /** No value: null. */
    record Missing() implements SqlValue { }

    /** Some value that is not known here. */
    record Unclear() implements SqlValue { }

    /** A number. */
    record Numeric(BigDecimal number) implements SqlValue { }

    /** A text. */
    record Text(String text) implements SqlValue { }

    /**
     * A day, or a moment without a time zone.
     *
     * @param seconds since the beginning of 1970
     */
    record Moment(BigDecimal seconds) implements SqlValue { }

    /** True or false. */
    record Flag(boolean value) implements SqlValue { }

    /** A number from its text; unclear where it is none. */
    static SqlValue number(String text) {
        return Texts.number(text).<SqlValue>map(Numeric::new).orElse(UNCLEAR);
    }

    /**
     * A day or moment from its text, such as {@code 2031-05-01} or {@code 2031-05-01 08:30:00}; unclear where it is
     * none.
     */
    static SqlValue moment(String text) {
        return Texts.moment(text).<SqlValue>map(Moment::new).orElse(UNCLEAR);
    }

    /**
     * How two values compare: negative, zero or positive; nothing where engines or their collations may differ. Texts
     * are compared for equality alone: those that differ in more than case, accents and blanks at the end are
     * different.
     */
    static Optional<Integer> compare(SqlValue one, SqlValue other) {
        return switch (one) {
            case Numeric(BigDecimal number) -> switch (other) {
                case Numeric(BigDecimal second) -> Optional.of(number.compareTo(second));
                case Text(String text) -> Texts.number(text).map(number::compareTo);
                default -> Optional.empty();
            };
            case Moment(BigDecimal seconds) -> switch (other) {
                case Moment(BigDecimal second) -> Optional.of(seconds.compareTo(second));
                case Text(String text) -> Texts.moment(text).map(seconds::compareTo);
                default -> Optional.empty();
            };
            case Text(String text) -> other instanceof Text(String second)
                    ? text.equals(second) ? Optional.of(0) : Optional.empty() : compare(other, one, -1);
            case Flag(boolean value) -> other instanceof Flag(boolean second)
                    ? Optional.of(Boolean.compare(value, second)) : Optional.empty();
            case Missing missing -> Optional.empty();
            case Unclear unclear -> Optional.empty();
        };
    }

    private static Optional<Integer> compare(SqlValue one, SqlValue other, int sign) {
        return one instanceof Numeric || one instanceof Moment ? compare(one, other).map(order -> sign * order)
                : Optional.empty();
    }

    /** Whether two values are equal; nothing where engines or their collations may differ. */
    static Optional<Boolean> equal(SqlValue one, SqlValue other) {
        if (one instanceof Text(String text) && other instanceof Text(String second)) {
            return text.equals(second) ? Optional.of(true)
                    : Texts.folded(text).equals(Texts.folded(second)) ? Optional.empty() : Optional.of(false);
        }
        return compare(one, other).map(order -> order == 0);
    }

    /** Texts of literals. */
    final class Texts {
        private static final int MAX_LENGTH = 60;
        private static final Pattern NUMBER =
                Pattern.compile("[-+]?(?:\\d+(?:\\.\\d*)?|\\.\\d+)(?:[eE][-+]?\\d{1,3})?");
        private static final Pattern MOMENT =
                Pattern.compile("(\\d{4})-(\\d{2})-(\\d{2})(?:[ T](\\d{2}):(\\d{2})(?::(\\d{2})(\\.\\d{1,9})?)?)?");

        private Texts() { }

        static Optional<BigDecimal> number(String text) {
            String plain = text.strip();
            return plain.length() <= MAX_LENGTH && NUMBER.matcher(plain).matches() ? Optional.of(new BigDecimal(plain))
                    : Optional.empty();
        }

        static Optional<BigDecimal> moment(String text) {
            Matcher parts = MOMENT.matcher(text.strip());
            if (!parts.matches()) {
                return Optional.empty();
            }
            try {
                LocalDateTime moment = LocalDateTime.of(part(parts, 1), part(parts, 2), part(parts, 3), part(parts, 4),
                        part(parts, 5), part(parts, 6));
                BigDecimal fraction = parts.group(7) == null ? BigDecimal.ZERO : new BigDecimal("0" + parts.group(7));
                return Optional.of(BigDecimal.valueOf(moment.toEpochSecond(ZoneOffset.UTC)).add(fraction));
            } catch (DateTimeException e) {
                return Optional.empty();
            }
        }

        private static int part(Matcher parts, int group) {
            return parts.group(group) == null ? 0 : Integer.parseInt(parts.group(group));
        }

        /** What no usual collation tells apart. */
        static String folded(String text) {
            return Normalizer.normalize(text, Normalizer.Form.NFKD).replaceAll("\\p{M}", "").toUpperCase(Locale.ROOT)
                    .toLowerCase(Locale.ROOT).stripTrailing();
        }
    }
}
