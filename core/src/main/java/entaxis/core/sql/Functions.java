package entaxis.core.sql;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Expressions that every engine has, each in its own words. */
public final class Functions {
    private static final Pattern NEXT =
            Pattern.compile("(?is)next\\s+value\\s+for\\s+((?:\"[^\"]+\"|[\\w$]+)(?:\\.(?:\"[^\"]+\"|[\\w$]+))?)");

    private Functions() { }

    /** What an expression gives. */
    public enum Kind {
        /** The time at which the statement or transaction began. */
        NOW,
        /** A new random identifier. */
        RANDOM_UUID,
        /** The next number of a sequence (ISO/IEC 9075-2, 6.14). */
        NEXT_VALUE, OTHER
    }

    /** What an expression is, if it is one of those. */
    public static Kind kind(String expression) {
        String plain = expression.strip().toLowerCase(Locale.ROOT).replace(" ", "");
        while (plain.startsWith("(") && plain.endsWith(")") && plain.length() > 2) {
            plain = plain.substring(1, plain.length() - 1);
        }
        return switch (plain) {
            case "current_timestamp", "current_timestamp()", "current_timestamp(6)", "current_timestamp(3)", "now()",
                    "getdate()", "sysdatetime()", "systimestamp", "localtimestamp",
                    "localtimestamp()", "sysdate", "sysdatetimeoffset()", "transaction_timestamp()",
                    "statement_timestamp()" -> Kind.NOW;
            case "gen_random_uuid()", "random_uuid()", "uuid()", "newid()", "newsequentialid()", "sys_guid()",
                    "uuid_generate_v4()" -> Kind.RANDOM_UUID;
            default -> NEXT.matcher(expression.strip()).matches() ? Kind.NEXT_VALUE : Kind.OTHER;
        };
    }

    /** The sequence that gives the next number, as SQL names it. */
    static String sequence(String nextValue) {
        Matcher next = NEXT.matcher(nextValue.strip());
        return next.matches() ? next.group(1) : nextValue;
    }
}
