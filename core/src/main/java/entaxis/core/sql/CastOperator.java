package entaxis.core.sql;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import entaxis.core.token.Token.Kind;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Turns the cast operator {@code value::type} of PostgreSQL and H2 (PostgreSQL manual, 4.2.9, Type Casts) into CAST
 * (ISO/IEC 9075-2, 6.13), which every engine has.
 */
final class CastOperator {
    private static final int MAX_CASTS = 200;
    /** Types that hold every text. */
    private static final Set<String> TEXTS = Set.of("text", "varchar", "character varying", "bpchar", "name");
    /** Words that a name can stand behind without being called by them. */
    private static final Set<String> NOT_CALLED = Set.of("and", "or", "not", "in", "is", "like", "between", "then",
            "when", "else", "case", "as", "any", "all", "some", "on", "where", "select", "values", "distinct");

    private final List<Token> tokens;

    private CastOperator(String expression) {
        this.tokens = Lexer.tokens(expression);
    }

    /**
     * The expression without cast operators. What is a text already is not cast to a text. Quadratic in the number of
     * casts, of which a bounded number is turned.
     *
     * @param texts tells the names of columns that hold texts
     */
    static String asIso(String expression, Predicate<String> texts) {
        String turned = expression;
        for (int i = 0; i < MAX_CASTS && turned.contains("::"); i++) {
            String next = new CastOperator(turned).first(texts);
            if (next.equals(turned)) {
                break;
            }
            turned = next;
        }
        return ListComparison.asIso(turned);
    }

    /** The expression with its first cast turned. */
    private String first(Predicate<String> texts) {
        int colon = 1;
        while (colon + 1 < tokens.size() && !(tokens.get(colon).is(":") && tokens.get(colon + 1).is(":"))) {
            colon++;
        }
        int end = typeEnd(blanks(colon + 2));
        int begin = colon + 1 < tokens.size() ? operand(colon - 1) : -1;
        if (begin < 0 || end < 0) {
            return text(0, tokens.size());
        }
        String value = text(begin, colon).strip();
        String type = text(colon + 2, end).strip();
        return text(0, begin) + cast(value, type, texts) + text(end, tokens.size());
    }

    private static String cast(String value, String type, Predicate<String> texts) {
        String bare = value;
        while (bare.startsWith("(") && bare.endsWith(")") && bare.indexOf(')') == bare.length() - 1) {
            bare = bare.substring(1, bare.length() - 1).strip();
        }
        String lower = type.toLowerCase(Locale.ROOT);
        if (bare.equalsIgnoreCase("'now'")) {
            // PostgreSQL manual, 8.5.1.4, Special Values
            return lower.equals("date") ? "current_date" : lower.startsWith("timestamp") ? "current_timestamp" : bare;
        }
        boolean textual = bare.startsWith("'") || Lexer.tokens(bare).size() == 1
                && texts.test(Lexer.tokens(bare).getFirst().name());
        boolean list = TEXTS.contains(lower.replace("[]", "")) && lower.endsWith("[]")
                && bare.toLowerCase(Locale.ROOT).startsWith("array[");
        return TEXTS.contains(lower) && textual || list ? bare : "CAST(" + bare + " AS " + type + ")";
    }

    private String text(int from, int to) {
        return tokens.subList(from, to).stream().map(Token::text).collect(Collectors.joining());
    }

    private int blanks(int from) {
        int at = from;
        while (at < tokens.size() && tokens.get(at).kind() == Kind.SPACE) {
            at++;
        }
        return at;
    }

    private boolean is(int at, String text) {
        return at >= 0 && at < tokens.size() && tokens.get(at).is(text);
    }

    private boolean isName(int at) {
        return at >= 0 && at < tokens.size() && tokens.get(at).isName();
    }

    // the operand, backwards

    /** Where the operand begins that ends at a token or before blanks; less than 0 if there is none. */
    private int operand(int last) {
        int at = last;
        while (at >= 0 && tokens.get(at).kind() == Kind.SPACE) {
            at--;
        }
        if (is(at, ")") || is(at, "]")) {
            int open = opening(at);
            boolean called = isName(open - 1)
                    && !NOT_CALLED.contains(tokens.get(open - 1).text().toLowerCase(Locale.ROOT));
            return open < 0 ? -1 : called ? chain(open - 1) : open;
        }
        boolean plain = at >= 0 && (tokens.get(at).kind() == Kind.STRING || tokens.get(at).kind() == Kind.NUMBER);
        return plain ? at : isName(at) ? chain(at) : -1;
    }

    private int opening(int closing) {
        int depth = 0;
        for (int at = closing; at >= 0; at--) {
            depth += is(at, ")") || is(at, "]") ? 1 : is(at, "(") || is(at, "[") ? -1 : 0;
            if (depth == 0) {
                return at;
            }
        }
        return -1;
    }

    /** Where a name begins with what qualifies it. */
    private int chain(int last) {
        int at = last;
        while (is(at - 1, ".") && isName(at - 2)) {
            at -= 2;
        }
        return at;
    }

    // the type, forwards

    /** Behind a type that begins at a token; less than 0 if there is none. */
    private int typeEnd(int from) {
        if (!isName(from)) {
            return -1;
        }
        int at = from + 1;
        while (is(at, ".") && isName(at + 1)) {
            at += 2;
        }
        at = word(at, "varying");
        at = word(at, "precision");
        int open = blanks(at);
        if (is(open, "(")) {
            int close = open;
            while (close < tokens.size() && !is(close, ")")) {
                close++;
            }
            at = close + 1;
        }
        for (String way : List.of("with", "without")) {
            int zone = word(word(word(at, way), "time"), "zone");
            boolean whole = at < zone && is(zone - 1, "zone");
            at = whole ? zone : at;
        }
        while (is(at, "[") && is(at + 1, "]")) {
            at += 2;
        }
        return Math.min(at, tokens.size());
    }

    /** Behind a word, if it is what stands next. */
    private int word(int from, String word) {
        int at = blanks(from);
        return is(at, word) ? at + 1 : from;
    }
}
