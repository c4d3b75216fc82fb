package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.util.List;

/**
 * Reads tokens one after the other, white space left out. A comment ends the reading of what comes before it, so it is
 * kept.
 */
public final class LineCursor {
    private final List<Token> tokens;
    private final String text;
    private int at;

    /** A cursor before the first token of the text. */
    public LineCursor(String text) {
        this.tokens = Lexer.tokens(text).stream().filter(token -> token.kind() != Kind.SPACE).toList();
        this.text = text;
    }

    /** The next token without passing it; of kind {@link Kind#END} behind the last one. */
    public Token peek() {
        return peek(0);
    }

    /** The token {@code ahead} places further on, without passing it. */
    public Token peek(int ahead) {
        return at + ahead < tokens.size() ? tokens.get(at + ahead) : new Token(Kind.END, "", text.length());
    }

    /** Passes the next token and returns it. */
    public Token next() {
        Token token = peek();
        at++;
        return token;
    }

    /** Passes the given words if all of them come next, in order; otherwise stays. */
    public boolean accept(String... words) {
        for (int i = 0; i < words.length; i++) {
            if (!peek(i).is(words[i])) {
                return false;
            }
        }
        at += words.length;
        return true;
    }

    /** The text from the next token on. */
    public String rest() {
        return text.substring(peek().start());
    }

    /** Whether every token has been passed. */
    public boolean atEnd() {
        return peek().kind() == Kind.END;
    }
}
