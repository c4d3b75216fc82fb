package entaxis.core.engine.duckdb;

import entaxis.core.expression.Expression;
import entaxis.core.expression.Rewriting;
import entaxis.core.expression.Term;
import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Literals;
import entaxis.core.token.SqlText;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Expressions as DuckDB words them in its catalog: operators of patterns instead of LIKE, constants of a type as casts,
 * functions of its own behind calls that ISO SQL writes in words (seen on DuckDB 1.5, duckdb_constraints()).
 */
final class DuckDbExpression {
    private static final Map<String, String> PATTERNS =
            Map.of("~~", "like", "~~*", "ilike", "!~~", "not like", "!~~*", "not ilike");
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
        String inside = around == 0 ? expression : text.between(around, text.size() - around);
        return Rewriting.of(Expression.of(inside), DuckDbExpression::exchanged).text();
    }

    private static Optional<String> exchanged(Term term, Rewriting rewriting) {
        return switch (term.kind()) {
            case OPERATOR -> Optional.ofNullable(PATTERNS.get(term.word())).map(word -> pattern(term, word, rewriting));
            case CAST -> Optional.of(term).filter(cast -> cast.first().kind() == Kind.TEXT)
                    .map(cast -> constant(cast, rewriting.words(cast.first())));
            case CALL -> call(term, rewriting);
            default -> Optional.empty();
        };
    }

    private static String pattern(Term term, String word, Rewriting rewriting) {
        Term right = term.parts().getLast();
        int sign = term.first().to() + rewriting.written(term.first().to(), right.from()).indexOf(term.word());
        return rewriting.inside(term, term.from(), sign) + word
                + rewriting.inside(term, sign + term.word().length(), term.to());
    }

    /** A constant without its type. */
    private static String constant(Term cast, String written) {
        Optional<String> value = cast.word().equals("boolean") ? truth(written).map(String::valueOf)
                : NUMBERS.contains(cast.word()) ? Literals.number(written) : Optional.empty();
        return value.orElse(written);
    }

    private static Optional<String> call(Term term, Rewriting rewriting) {
        if (term.isCall("count_star")) {
            return Optional.of("count(*)");
        }
        if (term.isCall("nextval") && term.parts().size() == 1 && term.first().kind() == Kind.TEXT) {
            return Optional.of("next value for " + term.first().word());
        }
        String written = rewriting.written(term.from(), term.to());
        int open = written.indexOf('(');
        boolean marked = written.startsWith("\"") || written.startsWith("main.");
        return !marked || open < 0 || !isFunction(term.word()) ? Optional.empty()
                : Optional.of(term.word() + rewriting.inside(term, term.from() + open, term.to()));
    }

    /** Whether a name may stand without quotes; the functions of the engine all may. */
    private static boolean isFunction(String name) {
        return name.chars().allMatch(sign -> sign == '_' || sign < 128 && Character.isLetterOrDigit(sign));
    }

    /** What a constant means as a truth value. */
    static Optional<Boolean> truth(String constant) {
        return Optional.ofNullable(TRUTH.get(constant.strip().toLowerCase(Locale.ROOT)));
    }
}
