package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.util.Arrays;

/** Tokens of a text one behind the other, counted from 0, in room that is used again for other ones. */
public final class Tokens {
    private static final int ROOM = 256;
    private static final int LEAST_ROOM = 8;
    private static final int LARGE_SIZE = 1 << 15;
    private static final Kind[] KINDS = Kind.values();
    private static final Keyword[] WORDS = Keyword.values();
    /** How many numbers there are for each token: what it is, where it begins and ends, and its sum. */
    private static final int WIDTH = 4;
    private static final int FROM = 1;
    private static final int TO = 2;
    private static final int SUM = 3;
    /** What a token is: its kind, and above these bits its word. */
    private static final int KIND_BITS = 4;
    private static final int KIND_MASK = (1 << KIND_BITS) - 1;

    /** All in one array, so that what is read together lies together. */
    private int[] numbers;
    private int count;
    private boolean unclosed;

    /** No tokens, with room for those of a usual statement. */
    public Tokens() {
        this(ROOM);
    }

    private Tokens(int room) {
        numbers = new int[room * WIDTH];
    }

    /** No tokens, with room for those of a text that is mostly short. */
    static Tokens ofSnippet(String text) {
        return new Tokens(Math.clamp(text.length() / 2, LEAST_ROOM, ROOM));
    }

    /** Takes all tokens away; room that only a huge statement needed is given back. */
    public void clear() {
        count = 0;
        unclosed = false;
        if (numbers.length > LARGE_SIZE * WIDTH) {
            numbers = new int[ROOM * WIDTH];
        }
    }

    /** How many there are. */
    public int count() {
        return count;
    }

    /** What a token is. */
    public Kind kind(int token) {
        return KINDS[numbers[token * WIDTH] & KIND_MASK];
    }

    /** The word of SQL that it is; {@link Keyword#NONE} for any other token. */
    public Keyword word(int token) {
        return WORDS[numbers[token * WIDTH] >> KIND_BITS];
    }

    /** Whether it is a word of SQL. */
    public boolean is(int token, Keyword word) {
        return numbers[token * WIDTH] >> KIND_BITS == word.ordinal();
    }

    /** Where it begins in the text. */
    public int from(int token) {
        return numbers[token * WIDTH + FROM];
    }

    /** Where it ends in the text. */
    public int to(int token) {
        return numbers[token * WIDTH + TO];
    }

    /** For a word, a number that is the same for equal ones, even if there is no capital in it. */
    public int sum(int token) {
        return numbers[token * WIDTH + SUM];
    }

    /** Whether it is a sign. */
    public boolean is(int token, char sign) {
        int place = token * WIDTH;
        return numbers[place] == Kind.SYMBOL.ordinal() && numbers[place + SUM] == sign;
    }

    /** Whether the last one is a quote or comment without an end. */
    public boolean unclosed() {
        return unclosed;
    }

    void add(Kind kind, Keyword word, int from, int to, int sum) {
        int place = count++ * WIDTH;
        if (place == numbers.length) {
            numbers = Arrays.copyOf(numbers, place * 2);
        }
        numbers[place] = word.ordinal() << KIND_BITS | kind.ordinal();
        numbers[place + FROM] = from;
        numbers[place + TO] = to;
        numbers[place + SUM] = sum;
    }

    void add(Kind kind, int from, int to) {
        add(kind, Keyword.NONE, from, to, 0);
    }

    void addUnclosed(int from, int to) {
        unclosed = true;
        add(Kind.UNCLOSED, from, to);
    }
}
