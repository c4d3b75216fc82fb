package entaxis.core.syntax;

/** A statement cut into tokens, which stand in a row that is used again for the next one. Tokens are counted from 0. */
final class TokenizedStatement {
    /** Kinds of token. */
    static final byte END = 0;
    static final byte WORD = 1;
    static final byte NAME = 2;
    static final byte STRING = 3;
    static final byte NUMBER = 4;
    static final byte SYMBOL = 5;
    static final byte BROKEN = 6;

    private final TokenArray row;
    /** How many tokens it has. */
    int count;
    /** Where it begins. */
    int start;
    /** Whether it is a command of the engine's client rather than SQL. */
    boolean client;
    /** Whether a quote or comment in it has no end. */
    boolean broken;
    /** Whether a compound statement is still open where the script ends. */
    boolean unclosed;

    TokenizedStatement(TokenArray row) {
        this.row = row;
    }

    /** Begins anew at a place of the script. */
    void begin(int place) {
        row.clear();
        count = 0;
        start = place;
        client = false;
        unclosed = false;
        broken = false;
    }

    void add(byte kind, Keyword word, int from, int to) {
        row.add(kind, word, from, to);
        count++;
    }

    void addWord(Keyword word, int from, int to, int sum) {
        add(WORD, word, from, to);
        row.sums[count - 1] = sum;
    }

    void addSign(char sign, int at) {
        add(SYMBOL, Keyword.NONE, at, at + 1);
        row.sums[count - 1] = sign;
    }

    byte kind(int token) {
        return row.kinds[token];
    }

    Keyword word(int token) {
        return row.words[token];
    }

    /** Where a token begins in the script. */
    int from(int token) {
        return row.starts[token];
    }

    /** Where a token ends in the script. */
    int to(int token) {
        return row.ends[token];
    }

    /** For a word, a number that is the same for equal ones, even if there is no capital in it. */
    int sum(int token) {
        return row.sums[token];
    }

    /** Whether a token is a sign. */
    boolean is(int token, char sign) {
        return row.kinds[token] == SYMBOL && row.sums[token] == sign;
    }
}
