package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import java.util.List;
import java.util.Optional;

/** Reads IS, IN, BETWEEN, LIKE and their opposites (ISO/IEC 9075-2, 8.3 to 8.8 and 8.15). */
final class PredicateReader {
    private final ExpressionCursor tokens;

    PredicateReader(ExpressionCursor tokens) {
        this.tokens = tokens;
    }

    private Term operand() {
        return new ExpressionReader(tokens).expression(ExpressionReader.COMPARISON);
    }

    private Term list() {
        return new ExpressionReader(tokens).list(")");
    }

    /** The test that stands behind a value; nothing if there is none, and nothing is passed then. */
    Optional<Term> test(Term left) {
        if (tokens.accept("is")) {
            boolean not = tokens.accept("not");
            if (tokens.accept("distinct")) {
                tokens.expect("from");
                return Optional.of(negated(not, Term.operator("is distinct from", left, operand())));
            }
            return Optional.of(negated(not, Term.operator("is", left, Term.of(Kind.WORD, tokens.plainWord()))));
        }
        int before = tokens.at();
        boolean not = tokens.accept("not");
        if (tokens.accept("in")) {
            tokens.expect("(");
            return Optional.of(negated(not, Term.operator("in", left, list())));
        }
        if (tokens.accept("between")) {
            if (!tokens.acceptReworded("symmetric")) {
                tokens.accept("asymmetric");
            }
            Term low = operand();
            tokens.expect("and");
            return Optional.of(negated(not, Term.operator("between", left, low, operand())));
        }
        for (String word : List.of("like", "ilike", "regexp", "rlike", "glob", "similar", "match")) {
            if (word.equals("match") ? tokens.acceptReworded(word) : tokens.accept(word)) {
                tokens.accept("to");
                Term pattern = operand();
                Term like = Term.operator(word.equals("rlike") ? "regexp" : word, left, pattern);
                return Optional.of(
                        negated(not, tokens.accept("escape") ? Term.operator("escape", like, operand()) : like));
            }
        }
        tokens.goTo(before);
        return Optional.empty();
    }

    private static Term negated(boolean not, Term term) {
        return not ? Term.operator("not", term) : term;
    }
}
