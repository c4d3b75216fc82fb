package entaxis.core.sql;

import entaxis.core.token.SqlText;
import entaxis.core.token.Token;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;

/** Expressions that every engine has, each in its own words. */
public final class Functions {
    private static final String[] NEXT = {"next", "value", "for"};

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
        plain = withoutDigits(plain);
        return switch (plain) {
            case "current_timestamp", "current_timestamp()", "now()",
                    "getdate()", "sysdatetime()", "systimestamp", "localtimestamp",
                    "localtimestamp()", "sysdate", "sysdatetimeoffset()", "transaction_timestamp()",
                    "statement_timestamp()" -> Kind.NOW;
            case "gen_random_uuid()", "random_uuid()", "uuid()", "newid()", "newsequentialid()", "sys_guid()",
                    "uuid_generate_v4()" -> Kind.RANDOM_UUID;
            default -> draws(expression) && nextOf(SqlText.of(expression)).isPresent() ? Kind.NEXT_VALUE : Kind.OTHER;
        };
    }

    /** A moment without how many digits of its seconds are wanted. */
    private static String withoutDigits(String plain) {
        boolean digits = plain.startsWith("current_timestamp(") || plain.startsWith("localtimestamp(");
        int open = plain.indexOf('(');
        return digits && plain.length() == open + 3 && Character.isDigit(plain.charAt(open + 1))
                ? plain.substring(0, open) : plain;
    }

    /** The sequence that gives the next number, as SQL names it. */
    static String sequence(String nextValue) {
        return nextOf(SqlText.of(nextValue)).orElse(nextValue);
    }

    /** Whether an expression may draw from a sequence; so many do not that this is worth a look. */
    private static boolean draws(String expression) {
        String begun = expression.stripLeading();
        return begun.regionMatches(true, 0, NEXT[0], 0, NEXT[0].length());
    }

    /** The sequence behind NEXT VALUE FOR, if that is all there is. */
    private static Optional<String> nextOf(SqlText text) {
        int end = text.behindName(NEXT.length);
        return text.is(0, NEXT) && end > NEXT.length && end == text.size()
                ? Optional.of(text.between(NEXT.length, end)) : Optional.empty();
    }

    /**
     * The names of the sequence that an expression draws from, by NEXT VALUE FOR or by a function of an engine, from
     * its schema on; empty if it draws from none.
     */
    public static List<String> drawnFrom(String expression) {
        if (!draws(expression)) {
            return List.of();
        }
        SqlText text = SqlText.of(expression);
        int name = text.is(0, NEXT) ? NEXT.length : text.is(0, "nextval") ? 1 : text.size();
        boolean round = text.is(name, "(");
        int begin = round ? name + 1 : name;
        int end = text.behindName(begin);
        boolean whole = round ? text.is(end, ")") && end + 1 == text.size() : end == text.size();
        return end == begin || !whole ? List.of()
                : IntStream.range(begin, end).mapToObj(text::at).filter(Token::isName).map(Token::name).toList();
    }
}
