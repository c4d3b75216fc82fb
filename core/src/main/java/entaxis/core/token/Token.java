package entaxis.core.token;

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

    /**
     * The name that it spells: a plain word as typed, a quoted name without its quotes and with doubled quotes undone.
     */
    public String name() {
        return kind == Kind.QUOTED_NAME ? text.substring(1, text.length() - 1).replace("\"\"", "\"") : text;
    }
}
