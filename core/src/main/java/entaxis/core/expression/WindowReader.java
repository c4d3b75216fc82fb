package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import java.util.ArrayList;
import java.util.List;

/** Reads what may stand behind an aggregate or window function (ISO/IEC 9075-2, 6.10, 7.15 and 10.9). */
final class WindowReader {
    private final ExpressionCursor tokens;

    WindowReader(ExpressionCursor tokens) {
        this.tokens = tokens;
    }

    private Term expression() {
        return new ExpressionReader(tokens).expression(0);
    }

    private Term ordering() {
        return new QueryReader(tokens).ordering();
    }

    /** What may stand behind an aggregate or window function (ISO/IEC 9075-2, 6.10 and 10.9). */
    Term window(Term call) {
        Term aggregate = call;
        if (tokens.accept("within", "group")) {
            tokens.expect("(");
            aggregate = Term.operator("within group", aggregate, ordering());
            tokens.expect(")");
        }
        if (tokens.accept("filter", "(")) {
            tokens.expect("where");
            aggregate = Term.operator("filter", aggregate, expression());
            tokens.expect(")");
        }
        return tokens.accept("over") ? Term.operator("over", aggregate, window()) : aggregate;
    }

    private Term window() {
        return tokens.is("(") ? defined() : Term.of(Kind.NAME, tokens.name());
    }

    /** A window in brackets (ISO/IEC 9075-2, 7.15). */
    Term defined() {
        tokens.expect("(");
        List<Term> parts = new ArrayList<>();
        if (tokens.accept("partition", "by")) {
            do {
                parts.add(expression());
            } while (tokens.accept(","));
        }
        Term order = tokens.is("order") ? ordering() : Term.of(Kind.LIST, "");
        StringBuilder frame = new StringBuilder();
        while (!tokens.atEnd() && !tokens.is(")")) {
            frame.append(' ').append(tokens.lower());
        }
        tokens.expect(")");
        return Term.of(Kind.CALL, "window", new Term(Kind.LIST, "", parts), order,
                Term.of(Kind.WORD, frame.toString().strip()));
    }
}
