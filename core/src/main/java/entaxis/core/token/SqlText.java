package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.util.List;

/**
 * An SQL text by its tokens, blanks and comments left out: what stands at a place, where words stand, and the text with
 * some of it exchanged. Places are counted from 0. Immutable.
 */
public final class SqlText {
    private final String text;
    private final List<Token> tokens;

    private SqlText(String text, List<Token> tokens) {
        this.text = text;
        this.tokens = tokens;
    }

    /** A whole text. Linear in it. */
    public static SqlText of(String text) {
        return new SqlText(text, Lexer.tokens(text));
    }

    /** The beginning of a text, with so many tokens at most; what is behind them is not looked at. */
    public static SqlText beginning(String text, int count) {
        int[] left = {count};
        return new SqlText(text, Lexer.pieces(text, piece -> piece.matters() && --left[0] == 0).stream()
                .filter(Token::matters).toList());
    }

    /** How many tokens there are. */
    public int size() {
        return tokens.size();
    }

    /** The token at a place; of kind {@link Kind#END} where none is. */
    public Token at(int place) {
        return place >= 0 && place < tokens.size() ? tokens.get(place) : new Token(Kind.END, "", text.length());
    }

    /** Whether these words and signs stand at a place, one behind the other. */
    public boolean is(int place, String... words) {
        for (int i = 0; i < words.length; i++) {
            if (!at(place + i).is(words[i])) {
                return false;
            }
        }
        return true;
    }

    /** Whether a text in quotes stands at a place. */
    public boolean isString(int place) {
        return at(place).kind() == Kind.STRING;
    }

    /** The first place from one on where these words and signs stand; negative if they do nowhere. */
    public int find(int from, String... words) {
        for (int place = from; place < tokens.size(); place++) {
            if (is(place, words)) {
                return place;
            }
        }
        return -1;
    }

    /** Where the bracket is closed that opens at a place; behind the last token if it is not. */
    public int closing(int open) {
        int depth = 0;
        for (int place = open; place < tokens.size(); place++) {
            depth += at(place).is("(") ? 1 : at(place).is(")") ? -1 : 0;
            if (depth == 0) {
                return place;
            }
        }
        return tokens.size();
    }

    /** Behind a name that stands at a place, with what qualifies it; the place itself where no name stands. */
    public int behindName(int place) {
        int behind = place;
        while (at(behind).isName()) {
            behind++;
            if (!at(behind).is(".") || !at(behind + 1).isName()) {
                return behind;
            }
            behind++;
        }
        return behind;
    }

    /** What stands from one place up to another, as it is written. */
    public String between(int from, int to) {
        return from >= to ? "" : text.substring(at(from).start(), at(to - 1).end());
    }

    /** The text from a place on, with all that is behind it. */
    public String from(int place) {
        return text.substring(at(place).start());
    }

    /** The text up to a place, with the blanks before it. */
    public String before(int place) {
        return text.substring(0, at(place).start());
    }

    /** The text with some of it to be exchanged. */
    public Edit edit() {
        return new Edit();
    }

    /** Exchanges parts of the text, from its beginning to its end. */
    public final class Edit {
        private final StringBuilder out = new StringBuilder(text.length());
        private int done;

        private Edit() { }

        /** Puts something where another thing stands from one place up to another, behind what was exchanged before. */
        public Edit replace(int from, int to, String with) {
            out.append(text, done, at(from).start()).append(with);
            done = at(to - 1).end();
            return this;
        }

        /** The text as it now is. */
        public String text() {
            return out + text.substring(done);
        }
    }
}
