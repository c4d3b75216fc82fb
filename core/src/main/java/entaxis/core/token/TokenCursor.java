package entaxis.core.token;

import entaxis.core.token.Token.Kind;

/** Reads tokens one after the other. Words and signs are compared whatever the case of their letters. */
public class TokenCursor {
    private final String text;
    private Tokens tokens;
    private int at;
    private int limit;

    /** A cursor before the first token of some, which are those of a text. */
    protected TokenCursor(String text, Tokens tokens) {
        this.text = text;
        read(tokens);
    }

    /** A cursor before the first token of a text that is cut by some rules; comments are left out. */
    protected TokenCursor(String text, LexicalRules rules) {
        this(text, Lexer.row(text, rules, false));
    }

    /** A cursor before the first token of a text that is not in the words of one engine; comments are tokens there. */
    public static TokenCursor withComments(String text) {
        return new TokenCursor(text, Lexer.row(text, LexicalRules.STANDARD, true));
    }

    /** Goes before the first of other tokens of the same text. */
    protected final void read(Tokens other) {
        tokens = other;
        at = 0;
        limit = other.count();
    }

    /** The tokens that are read. */
    protected final Tokens tokens() {
        return tokens;
    }

    /** The text whose tokens they are. */
    protected final String source() {
        return text;
    }

    /** Whether every token has been passed. */
    public final boolean atEnd() {
        return at >= limit;
    }

    /** The token that it stands at, counted from 0. */
    public final int at() {
        return at;
    }

    /** Goes to a token. */
    public final void goTo(int token) {
        at = token;
    }

    /** Passes a token. */
    public final void advance() {
        at++;
    }

    /** Passes some tokens. */
    public final void advance(int count) {
        at += count;
    }

    /** Passes all tokens. */
    public final void toEnd() {
        at = limit;
    }

    /** Where the tokens end: behind the last one. */
    public final int limit() {
        return limit;
    }

    /** Lets the tokens end at one. */
    public final void limitTo(int token) {
        limit = token;
    }

    /** What a token is; {@link Kind#END} behind the last one. */
    public final Kind kind(int token) {
        return token < limit ? tokens.kind(token) : Kind.END;
    }

    /** What the next token is. */
    public final Kind kind() {
        return kind(at);
    }

    /** Where a token begins in the text. */
    public final int from(int token) {
        return tokens.from(token);
    }

    /** Where a token ends in the text. */
    public final int to(int token) {
        return tokens.to(token);
    }

    /** Whether a token is this sign. */
    public final boolean sign(int token, char c) {
        return token < limit && tokens.is(token, c);
    }

    /** Whether the next token is this sign. */
    public final boolean sign(char c) {
        return sign(at, c);
    }

    /** Passes this sign if it comes next. */
    public final boolean acceptSign(char c) {
        if (sign(at, c)) {
            at++;
            return true;
        }
        return false;
    }

    /** The token that closes the bracket which opens here; negative if none opens or it is not closed. */
    public final int closing(char opening, char closing) {
        int depth = 0;
        for (int token = at; token < limit; token++) {
            depth += sign(token, opening) ? 1 : sign(token, closing) ? -1 : 0;
            if (depth <= 0) {
                return depth == 0 && token > at ? token : -1;
            }
        }
        return -1;
    }

    /** Whether a token is a word or sign that reads so. */
    public final boolean is(int token, String word) {
        if (token >= limit || tokens.to(token) - tokens.from(token) != word.length()) {
            return false;
        }
        Kind kind = tokens.kind(token);
        return (kind == Kind.WORD || kind == Kind.SYMBOL)
                && text.regionMatches(true, tokens.from(token), word, 0, word.length());
    }

    /** Whether the next token is a word or sign that reads so. */
    public final boolean is(String word) {
        return is(at, word);
    }

    /** Whether the token so many places further on is a word or sign that reads so. */
    public final boolean isAhead(int further, String word) {
        return is(at + further, word);
    }

    /** Passes the given words and signs if all of them come next, in order; otherwise stays. */
    public final boolean accept(String... words) {
        for (int i = 0; i < words.length; i++) {
            if (!is(at + i, words[i])) {
                return false;
            }
        }
        at += words.length;
        return true;
    }

    /** Passes a word or sign if it comes next; otherwise stays. */
    public final boolean accept(String word) {
        boolean found = is(at, word);
        at += found ? 1 : 0;
        return found;
    }

    /** A token; of kind {@link Kind#END} behind the last one. */
    public final Token token(int token) {
        return token < limit ? Token.of(tokens.kind(token), text, tokens.from(token), tokens.to(token))
                : new Token(Kind.END, "", text.length());
    }

    /** The next token without passing it; of kind {@link Kind#END} behind the last one. */
    public final Token peek() {
        return token(at);
    }

    /** The token {@code ahead} places further on, without passing it. */
    public final Token peek(int ahead) {
        return token(at + ahead);
    }

    /** Passes the next token and returns it. */
    public final Token next() {
        return token(at++);
    }

    /** The text from the next token on. */
    public final String rest() {
        return at < limit ? text.substring(tokens.from(at)) : "";
    }
}
