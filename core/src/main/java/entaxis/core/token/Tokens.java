package entaxis.core.token;

import entaxis.core.token.Token.Kind;
import java.util.Arrays;

/**
 * Tokens of a text one behind the other, counted from 0, in arrays that are used again: what is read together lies
 * together.
 */
public final class Tokens {
    private static final int ROOM = 256;
    private static final int LEAST_ROOM = 8;
    private static final int LARGE_SIZE = 1 << 15;
    private static final Kind[] KINDS = Kind.values();

    private byte[] kinds;
    private Keyword[] words;
    private int[] starts;
    private int[] ends;
    private int[] sums;
    private int count;
    private boolean unclosed;

    /** No tokens, with room for those of a usual statement. */
    public Tokens() {
        this(ROOM);
    }

    private Tokens(int room) {
        kinds = new byte[room];
        words = new Keyword[room];
        starts = new int[room];
        ends = new int[room];
        sums = new int[room];
    }

    /** No tokens, with room for those of a text that is mostly short. */
    static Tokens ofSnippet(String text) {
        return new Tokens(Math.clamp(text.length() / 2, LEAST_ROOM, ROOM));
    }

    /** Takes all tokens away; room that only a huge statement needed is given back. */
    public void clear() {
        count = 0;
        unclosed = false;
        if (kinds.length > LARGE_SIZE) {
            resize(ROOM);
        }
    }

    /** How many there are. */
    public int count() {
        return count;
    }

    /** What a token is. */
    public Kind kind(int token) {
        return KINDS[kinds[token]];
    }

    /** The word of SQL that it is; {@link Keyword#NONE} for any other token. */
    public Keyword word(int token) {
        return words[token];
    }

    /** Where it begins in the text. */
    public int from(int token) {
        return starts[token];
    }

    /** Where it ends in the text. */
    public int to(int token) {
        return ends[token];
    }

    /** For a word, a number that is the same for equal ones, even if there is no capital in it. */
    public int sum(int token) {
        return sums[token];
    }

    /** Whether it is a sign. */
    public boolean is(int token, char sign) {
        return kinds[token] == Kind.SYMBOL.ordinal() && sums[token] == sign;
    }

    /** Whether the last one is a quote or comment without an end. */
    public boolean unclosed() {
        return unclosed;
    }

    void add(Kind kind, Keyword word, int from, int to, int sum) {
        if (count == kinds.length) {
            resize(count * 2);
        }
        kinds[count] = (byte) kind.ordinal();
        // tables look alike, so the same mostly stands there from the statement before; looking is cheaper than storing
        // a reference
        if (words[count] != word) {
            words[count] = word;
        }
        starts[count] = from;
        ends[count] = to;
        sums[count] = sum;
        count++;
    }

    void add(Kind kind, int from, int to) {
        add(kind, Keyword.NONE, from, to, 0);
    }

    void addUnclosed(int from, int to) {
        unclosed = true;
        add(Kind.UNCLOSED, from, to);
    }

    private void resize(int size) {
        kinds = Arrays.copyOf(kinds, size);
        words = Arrays.copyOf(words, size);
        starts = Arrays.copyOf(starts, size);
        ends = Arrays.copyOf(ends, size);
        sums = Arrays.copyOf(sums, size);
    }
}
