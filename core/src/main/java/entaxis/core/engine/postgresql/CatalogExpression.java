package entaxis.core.engine.postgresql;

import entaxis.core.design.SqlName;
import entaxis.core.token.Literals;
import entaxis.core.token.SqlText;
import java.util.Locale;
import java.util.Set;

/**
 * Expressions as the catalog words them (PostgreSQL manual, pg_get_expr): it writes the type of each constant, and
 * draws from sequences by a function.
 */
final class CatalogExpression {
    private static final Set<String> CONSTANTS = Set.of("null", "true", "false");
    private static final Set<String> NUMBERS =
            Set.of("smallint", "integer", "bigint", "numeric", "real", "double");

    private CatalogExpression() { }

    /** An expression in ISO words, without the types of its constants. Linear. */
    static String standard(String expression) {
        if (expression.indexOf(':') < 0 && expression.indexOf('(') < 0) {
            return expression;
        }
        SqlText text = SqlText.of(expression);
        SqlText.Edit edit = text.edit();
        for (int i = 0; i < text.size(); i++) {
            int call = nextValueEnd(text, i);
            int type = isConstant(text, i) && text.is(i + 1, ":", ":") ? typeEnd(text, i + 3) : i + 3;
            if (call > i) {
                edit.replace(i, call, "next value for " + sequence(text, call));
                i = call - 1;
            } else if (type > i + 3) {
                edit.replace(i, type, constant(text, i));
                i = type - 1;
            }
        }
        return edit.text();
    }

    private static boolean isConstant(SqlText text, int at) {
        return switch (text.at(at).kind()) {
            case STRING, NUMBER -> true;
            case WORD -> CONSTANTS.contains(text.at(at).text().toLowerCase(Locale.ROOT));
            default -> false;
        };
    }

    /** A constant without its type; the text of a number becomes the number. */
    private static String constant(SqlText text, int at) {
        String written = text.at(at).text();
        return NUMBERS.contains(text.at(at + 3).text()) ? Literals.number(written).orElse(written) : written;
    }

    /** Behind the type that begins at a place. */
    private static int typeEnd(SqlText text, int from) {
        int at = text.behindName(from);
        if (at == from) {
            return from;
        }
        at += text.is(at, "varying") || text.is(at, "precision") ? 1 : 0;
        at = text.is(at, "(") ? Math.min(text.closing(at) + 1, text.size()) : at;
        at += text.is(at, "with", "time", "zone") || text.is(at, "without", "time", "zone") ? 3 : 0;
        while (text.is(at, "[", "]")) {
            at += 2;
        }
        return at;
    }

    /** Behind a call of nextval that begins at a place; the place itself where none does. */
    private static int nextValueEnd(SqlText text, int from) {
        int call = text.is(from, "pg_catalog", ".") ? from + 2 : from;
        if (!text.is(call, "nextval", "(") || !text.isString(call + 2)) {
            return from;
        }
        int close = text.is(call + 3, ":", ":", "regclass") ? call + 6 : call + 3;
        return text.is(close, ")") ? close + 1 : from;
    }

    /** The sequence of a call that ends at a place, as SQL names it. */
    private static String sequence(SqlText text, int end) {
        int at = end;
        while (!text.isString(at)) {
            at--;
        }
        String written = text.at(at).text();
        String name = written.substring(1, written.length() - 1);
        SqlText named = SqlText.of(name);
        boolean plain = name.indexOf('"') >= 0 || named.size() > 0 && named.behindName(0) == named.size();
        return plain ? name : SqlName.quoted(name);
    }
}
