package entaxis.core.expression;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/** A place in the tokens of a text that is read from left to right. */
abstract class TokenReader {
    private static final int MAX_DEPTH = 150;
    /** Tokens without blanks and comments. */
    protected final List<Token> tokens;
    /** The next one. */
    protected int at;
    private int depth;

    /** Reading begins at a place, inside so many brackets. */
    protected TokenReader(List<Token> tokens, int at, int depth) {
        this.tokens = tokens;
        this.at = at;
        this.depth = depth;
    }

    /** Reading ends: there is something that is not known here. */
    protected static final class GivenUp extends RuntimeException {
        private static final long serialVersionUID = 1;

        GivenUp() {
            super(null, null, false, false);
        }
    }

    /** What another reader makes of what begins here; reading goes on behind that. */
    protected final <R extends TokenReader, T> T from(R reader, Function<R, T> reads) {
        T read = reads.apply(reader);
        at = ((TokenReader) reader).at;
        return read;
    }

    static List<Token> of(String sql) {
        return Lexer.tokens(sql).stream()
                .filter(token -> token.kind() != Token.Kind.SPACE && token.kind() != Token.Kind.COMMENT).toList();
    }

    protected final int depth() {
        return depth;
    }

    /** One bracket deeper; some texts are nested only to bring a reader down. */
    protected final void deeper() {
        if (++depth > MAX_DEPTH) {
            throw new GivenUp();
        }
    }

    protected final void higher() {
        depth--;
    }

    protected final boolean atEnd() {
        return at >= tokens.size();
    }

    protected final boolean is(String text) {
        return isAhead(0, text);
    }

    protected final boolean isAhead(int further, String text) {
        return at + further < tokens.size() && tokens.get(at + further).is(text);
    }

    protected final boolean accept(String text) {
        boolean found = is(text);
        at += found ? 1 : 0;
        return found;
    }

    protected final boolean accept(String first, String second) {
        boolean found = is(first) && isAhead(1, second);
        at += found ? 2 : 0;
        return found;
    }

    protected final void expect(String text) {
        if (!accept(text)) {
            throw new GivenUp();
        }
    }

    /** A word of the language, in small letters. */
    protected final String plainWord() {
        if (atEnd() || tokens.get(at).kind() != Token.Kind.WORD) {
            throw new GivenUp();
        }
        return tokens.get(at++).text().toLowerCase(Locale.ROOT);
    }

    protected final String name() {
        if (atEnd() || !tokens.get(at).isName()) {
            throw new GivenUp();
        }
        return tokens.get(at++).name();
    }
}
