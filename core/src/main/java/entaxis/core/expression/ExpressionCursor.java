package entaxis.core.expression;

import entaxis.core.token.LexicalRules;
import entaxis.core.token.TokenCursor;
import entaxis.core.token.Token;
import java.util.Locale;

/** The tokens of an expression or query, which the readers of its parts pass one after the other. */
final class ExpressionCursor extends TokenCursor {
    private static final int MAX_DEPTH = 150;
    private final boolean everyForm;
    private int depth;

    /** A cursor before the first token of a text; white space and comments are left out. */
    ExpressionCursor(String sql) {
        super(sql, LexicalRules.STANDARD);
        everyForm = false;
    }

    private ExpressionCursor(String sql, LexicalRules rules) {
        super(sql, rules);
        everyForm = true;
    }

    /**
     * A cursor by the lexical rules of an engine, for those who ask what is read and not whether two texts say the
     * same: forms that catalogs keep in other words are accepted as well.
     */
    static ExpressionCursor ofEveryForm(String sql, LexicalRules rules) {
        return new ExpressionCursor(sql, rules);
    }

    /** Whether a form begins here that catalogs keep in other words; only if those are accepted. */
    boolean isReworded(String word) {
        return everyForm && is(word);
    }

    /** Passes a word with which such a form begins. */
    boolean acceptReworded(String word) {
        return everyForm && accept(word);
    }

    /** Reading ends: there is something that is not known here. */
    static final class GivenUp extends RuntimeException {
        private static final long serialVersionUID = 1;

        GivenUp() {
            super(null, null, false, false);
        }
    }

    /** One bracket deeper; some texts are nested only to bring a reader down. */
    void deeper() {
        if (++depth > MAX_DEPTH) {
            throw new GivenUp();
        }
    }

    /** Out of so many brackets. */
    void higher(int brackets) {
        depth -= brackets;
    }

    void higher() {
        higher(1);
    }

    void expect(String text) {
        if (!accept(text)) {
            throw new GivenUp();
        }
    }

    /** Passes a word of the language and gives it in small letters. */
    String plainWord() {
        if (kind() != Token.Kind.WORD) {
            throw new GivenUp();
        }
        return lower();
    }

    /** Passes a name. */
    String name() {
        Token token = next();
        if (!token.isName()) {
            throw new GivenUp();
        }
        return token.name();
    }

    /** Passes a token and gives its text in small letters. */
    String lower() {
        return next().text().toLowerCase(Locale.ROOT);
    }

    /** Whether the next token can name something. */
    boolean isName() {
        return peek().isName();
    }

    /** Whether a query begins here. */
    boolean isQuery() {
        return is("select") || is("with") || is("values");
    }
}
