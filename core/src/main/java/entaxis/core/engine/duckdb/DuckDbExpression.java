package entaxis.core.engine.duckdb;

import entaxis.core.token.Literals;
import entaxis.core.token.SqlText;
import entaxis.core.token.Token;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Expressions as DuckDB words them in its catalog: operators of patterns instead of LIKE, constants of a type as casts,
 * functions of its own behind calls that ISO SQL writes in words (seen on DuckDB 1.5, duckdb_constraints()).
 */
final class DuckDbExpression {
    private static final Map<String, String> PATTERNS = Map.of("~~", "like", "~~*", "ilike");
    private static final Map<String, Boolean> TRUTH = Map.of("'t'", true, "'true'", true, "true", true, "'f'", false,
            "'false'", false, "false", false);

    private static final Set<String> NUMBERS = Set.of("tinyint", "smallint", "integer", "bigint", "hugeint", "float",
            "double");

    private DuckDbExpression() { }

    /** An expression in ISO words, without brackets around all of it. Linear. */
    static String standard(String expression) {
        SqlText text = SqlText.of(expression);
        int around = 0;
        while (text.is(around, "(") && text.closing(around) == text.size() - 1 - around) {
            around++;
        }
        return around == 0 ? standard(text) : standard(SqlText.of(text.between(around, text.size() - around)));
    }

    private static String standard(SqlText text) {
        SqlText.Edit edit = text.edit();
        for (int i = 0; i < text.size();) {
            Exchange exchange = exchange(text, i);
            if (exchange.end() > i) {
                edit.replace(i, exchange.end(), exchange.words());
            }
            i = Math.max(exchange.end(), i + 1);
        }
        return edit.text();
    }

    /** Words that replace the tokens before an end. Where the end is the first token, nothing is replaced. */
    private record Exchange(int end, String words) { }

    private static Exchange exchange(SqlText text, int at) {
        int pattern = patternEnd(text, at);
        if (pattern > at) {
            boolean not = text.is(at, "!");
            return new Exchange(pattern, (not ? "not " : "")
                    + PATTERNS.get(text.between(at, pattern).substring(not ? 1 : 0).replace(" ", "")));
        }
        if (text.is(at, "cast", "(") && text.isString(at + 2) && text.is(at + 3, "as") && text.is(at + 5, ")")) {
            String type = plain(text.at(at + 4));
            String constant = text.at(at + 2).text();
            Optional<String> value = type.equals("boolean") ? truth(constant).map(String::valueOf)
                    : NUMBERS.contains(type) ? Literals.number(constant) : Optional.empty();
            return new Exchange(at + 6, value.orElse(constant));
        }
        int name = text.is(at, "main", ".") ? at + 2 : at;
        boolean marked = name > at || text.at(name).text().startsWith("\"");
        if (marked && text.is(name + 1, "(") && isFunction(plain(text.at(name)))) {
            return new Exchange(name + 1, plain(text.at(name)));
        }
        if (text.is(at, "count_star", "(", ")")) {
            return new Exchange(at + 3, "count(*)");
        }
        if (text.is(at, "nextval", "(") && text.isString(at + 2) && text.is(at + 3, ")")) {
            String sequence = text.at(at + 2).text();
            return new Exchange(at + 4, "next value for " + sequence.substring(1, sequence.length() - 1));
        }
        return new Exchange(at, "");
    }

    /** Behind an operator that compares with a pattern; the place itself where none stands. */
    private static int patternEnd(SqlText text, int at) {
        int end = text.is(at, "!") ? at + 1 : at;
        if (!text.is(end, "~", "~")) {
            return at;
        }
        return text.is(end + 2, "*") ? end + 3 : end + 2;
    }

    /** Whether a name may stand without quotes; the functions of the engine all may. */
    private static boolean isFunction(String name) {
        return name.chars().allMatch(sign -> sign == '_' || sign < 128 && Character.isLetterOrDigit(sign));
    }

    /** A name without its quotes, in small letters. */
    private static String plain(Token name) {
        String text = name.text();
        return (text.startsWith("\"") ? text.substring(1, text.length() - 1) : text).toLowerCase(Locale.ROOT);
    }

    /** What a constant means as a truth value. */
    static Optional<Boolean> truth(String constant) {
        return Optional.ofNullable(TRUTH.get(constant.strip().toLowerCase(Locale.ROOT)));
    }
}
