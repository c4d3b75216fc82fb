package entaxis.core.engine.postgresql;

import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.expression.Rewriting;
import entaxis.core.expression.Term;
import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Literals;
import entaxis.core.token.SqlText;
import java.util.Optional;
import java.util.Set;

/**
 * Expressions as the catalog words them (PostgreSQL manual, pg_get_expr): it writes the type of each constant, and
 * draws from sequences by a function.
 */
final class CatalogExpression {
    private static final Set<String> NUMBERS =
            Set.of("smallint", "integer", "bigint", "numeric", "real", "double precision");

    private CatalogExpression() { }

    /** An expression in ISO words, without the types of its constants. Linear. */
    static String standard(String expression) {
        boolean plain = expression.indexOf(':') < 0 && expression.indexOf('(') < 0;
        return plain ? expression : Rewriting.of(Expression.of(expression), CatalogExpression::exchanged).text();
    }

    private static Optional<String> exchanged(Term term, Rewriting rewriting) {
        if (term.isCall("nextval") && term.parts().size() == 1) {
            Term sequence = term.first().kind() == Kind.CAST ? term.first().first() : term.first();
            return sequence.kind() != Kind.TEXT ? Optional.empty()
                    : Optional.of("next value for " + sequence(sequence.word()));
        }
        boolean typed = term.kind() == Kind.CAST && term.first().constant()
                && rewriting.written(term.first().to(), term.to()).stripLeading().startsWith("::");
        return typed ? Optional.of(constant(term, rewriting.words(term.first()))) : Optional.empty();
    }

    /** A constant without its type; the text of a number becomes the number. */
    private static String constant(Term cast, String written) {
        return NUMBERS.contains(cast.word()) ? Literals.number(written).orElse(written) : written;
    }

    /** A sequence as SQL names it. */
    private static String sequence(String name) {
        SqlText named = SqlText.of(name);
        boolean plain = name.indexOf('"') >= 0 || named.size() > 0 && named.behindName(0) == named.size();
        return plain ? name : SqlName.quoted(name);
    }
}
