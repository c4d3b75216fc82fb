package entaxis.core.token;

import java.util.Locale;

/**
 * One piece of SQL text.
 *
 * @param kind  what it is
 * @param text  the characters as typed, quotes included
 * @param start offset of the first character in the text it came from
 */
public record Token(Kind kind, String text, int start) {

    /** The kinds of token that ISO/IEC 9075-2, 5.2 distinguishes, as far as they matter here. */
    public enum Kind { WORD, QUOTED_NAME, STRING, NUMBER, SYMBOL, COMMENT, SPACE, UNCLOSED, END }

    /** What stands between two places of a text; there is no name without a sign in it (5.2, delimited identifier). */
    static Token of(Kind kind, String text, int from, int to) {
        boolean empty = kind == Kind.QUOTED_NAME && to - from <= 2;
        return new Token(empty ? Kind.UNCLOSED : kind, text.substring(from, to), from);
    }

    /** Whether it is more than white space or a comment. */
    public boolean matters() {
        return kind != Kind.SPACE && kind != Kind.COMMENT;
    }

    /** Offset just behind the last character. */
    public int end() {
        return start + text.length();
    }

    /** Whether this is the given word or symbol, letter case aside; quoted names never are. */
    public boolean is(String wordOrSymbol) {
        return (kind == Kind.WORD || kind == Kind.SYMBOL) && text.equalsIgnoreCase(wordOrSymbol);
    }

    /** Whether it can name something: a plain word or a quoted name. */
    public boolean isName() {
        return kind == Kind.WORD || kind == Kind.QUOTED_NAME;
    }

    /** Whether it is a number of digits only. */
    public boolean isWholeNumber() {
        return kind == Kind.NUMBER && text.chars().allMatch(c -> c >= '0' && c <= '9');
    }

    /** The letters before the quote of a text, in small letters: {@code n, b, x} or {@code e}; mostly none. */
    public String mark() {
        return kind == Kind.STRING ? text.substring(0, text.indexOf(quote())).toLowerCase(Locale.ROOT) : "";
    }

    /** What a text says: without its mark and quotes, and with doubled quotes undone. */
    public String string() {
        String quote = String.valueOf(quote());
        if (quote.equals("$")) {
            int tag = text.indexOf('$', 1) + 1;
            return text.substring(tag, text.length() - tag);
        }
        return text.substring(text.indexOf(quote) + 1, text.length() - 1).replace(quote + quote, quote);
    }

    /** The sign that opens and closes a text; some engines take double quotes or dollars. */
    private char quote() {
        return text.charAt(text.length() - 1);
    }

    /**
     * The name that it spells: a plain word as typed, a quoted name without its quotes and with doubled quotes undone.
     */
    public String name() {
        if (kind != Kind.QUOTED_NAME) {
            return text;
        }
        String close = text.substring(text.length() - 1);
        return text.substring(1, text.length() - 1).replace(close + close, close);
    }
}
