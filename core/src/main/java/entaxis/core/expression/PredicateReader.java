package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Token;
import java.util.List;
import java.util.Optional;

/** Reads IS, IN, BETWEEN, LIKE and their opposites (ISO/IEC 9075-2, 8.3 to 8.8 and 8.15). */
final class PredicateReader extends TokenReader {
    PredicateReader(List<Token> tokens, int at, int depth) {
        super(tokens, at, depth);
    }

    private Term operand() {
        return from(new ExpressionReader(tokens, at, depth()),
                reader -> reader.expression(ExpressionReader.COMPARISON));
    }

    private Term list() {
        return from(new ExpressionReader(tokens, at, depth()), reader -> reader.list(")"));
    }

    /** The test that stands behind a value; nothing if there is none, and nothing is passed then. */
    Optional<Term> test(Term left) {
        if (accept("is")) {
            boolean not = accept("not");
            if (accept("distinct")) {
                expect("from");
                return Optional.of(negated(not, Term.operator("is distinct from", left, operand())));
            }
            return Optional.of(negated(not, Term.operator("is", left, Term.of(Kind.WORD, plainWord()))));
        }
        int before = at;
        boolean not = accept("not");
        if (accept("in")) {
            expect("(");
            return Optional.of(negated(not, Term.operator("in", left, list())));
        }
        if (accept("between")) {
            accept("asymmetric");
            Term low = operand();
            expect("and");
            return Optional.of(negated(not, Term.operator("between", left, low, operand())));
        }
        for (String word : List.of("like", "ilike", "regexp", "rlike", "glob", "similar")) {
            if (accept(word)) {
                accept("to");
                Term pattern = operand();
                Term like = Term.operator(word.equals("rlike") ? "regexp" : word, left, pattern);
                return Optional.of(
                        negated(not, accept("escape") ? Term.operator("escape", like, operand()) : like));
            }
        }
        at = before;
        return Optional.empty();
    }

    private static Term negated(boolean not, Term term) {
        return not ? Term.operator("not", term) : term;
    }
}
