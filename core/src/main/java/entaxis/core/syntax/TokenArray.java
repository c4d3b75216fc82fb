package entaxis.core.syntax;

import java.util.Arrays;

/** Tokens one behind the other, in arrays that are used again: what is read together lies together. */
final class TokenArray {
    private static final int ROOM = 256;
    private static final int LARGE_SIZE = 1 << 15;

    byte[] kinds = new byte[ROOM];
    Keyword[] words = new Keyword[ROOM];
    int[] starts = new int[ROOM];
    int[] ends = new int[ROOM];
    /** See {@link TokenizedStatement#sum} and {@link TokenizedStatement#is}. */
    int[] sums = new int[ROOM];
    int count;

    /** Takes all tokens away; room that only a huge statement needed is given back. */
    void clear() {
        count = 0;
        if (kinds.length > LARGE_SIZE) {
            resize(ROOM);
        }
    }

    void add(byte kind, Keyword word, int from, int to) {
        if (count == kinds.length) {
            resize(count * 2);
        }
        kinds[count] = kind;
        // tables look alike, so the same mostly stands there from the statement before; looking is cheaper than storing
        // a reference
        if (words[count] != word) {
            words[count] = word;
        }
        starts[count] = from;
        ends[count] = to;
        count++;
    }

    private void resize(int size) {
        kinds = Arrays.copyOf(kinds, size);
        words = Arrays.copyOf(words, size);
        starts = Arrays.copyOf(starts, size);
        ends = Arrays.copyOf(ends, size);
        sums = Arrays.copyOf(sums, size);
    }
}
