package entaxis.core.expression;

import entaxis.core.expression.Term.Kind;
import entaxis.core.token.Token;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Reads what may stand behind an aggregate or window function (ISO/IEC 9075-2, 6.10, 7.15 and 10.9). */
final class WindowReader extends TokenReader {
    WindowReader(List<Token> tokens, int at, int depth) {
        super(tokens, at, depth);
    }

    private Term expression() {
        return from(new ExpressionReader(tokens, at, depth()), reader -> reader.expression(0));
    }

    private Term ordering() {
        return from(new QueryReader(tokens, at, depth()), reader -> reader.ordering());
    }

    /** What may stand behind an aggregate or window function (ISO/IEC 9075-2, 6.10 and 10.9). */
    Term window(Term call) {
        Term aggregate = call;
        if (accept("within", "group")) {
            expect("(");
            aggregate = Term.operator("within group", aggregate, ordering());
            expect(")");
        }
        if (accept("filter", "(")) {
            expect("where");
            aggregate = Term.operator("filter", aggregate, expression());
            expect(")");
        }
        return accept("over") ? Term.operator("over", aggregate, window()) : aggregate;
    }

    private Term window() {
        if (!accept("(")) {
            return Term.of(Kind.NAME, name());
        }
        List<Term> parts = new ArrayList<>();
        if (accept("partition", "by")) {
            do {
                parts.add(expression());
            } while (accept(","));
        }
        Term order = is("order") ? ordering() : Term.of(Kind.LIST, "");
        StringBuilder frame = new StringBuilder();
        while (!atEnd() && !is(")")) {
            frame.append(' ').append(tokens.get(at++).text().toLowerCase(Locale.ROOT));
        }
        expect(")");
        return Term.of(Kind.CALL, "window", new Term(Kind.LIST, "", parts), order,
                Term.of(Kind.WORD, frame.toString().strip()));
    }
}
