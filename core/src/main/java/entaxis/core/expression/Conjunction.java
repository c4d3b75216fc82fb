package entaxis.core.expression;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Conditions that all have to hold, joined by AND (ISO/IEC 9075-2, 6.39). */
public final class Conjunction {
    private Conjunction() { }

    /** The conditions of a conjunction as they are written, without brackets around them; the whole if it is none. */
    public static List<Expression> parts(Expression condition) {
        return condition.tree().map(tree -> parts(tree)
                .map(part -> condition.worded(text -> text.substring(part.from(), part.to()))).toList())
                .orElse(List.of(condition));
    }

    private static Stream<Term> parts(Term term) {
        return term.isOperator("and") ? term.parts().stream().flatMap(Conjunction::parts) : Stream.of(term);
    }

    /** Conditions as one, in the order in which they are given. */
    public static Expression of(List<Expression> parts) {
        return parts.size() == 1 ? parts.getFirst()
                : Expression.of(parts.stream().map(Expression::text).collect(Collectors.joining(") AND (", "(", ")")));
    }
}
