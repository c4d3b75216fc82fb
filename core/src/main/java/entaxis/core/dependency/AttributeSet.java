package entaxis.core.dependency;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntConsumer;

/**
 * A set of attributes by their places in a relation, from 0. Immutable, compared by value; operations take time linear
 * in the number of words of 64 attributes.
 */
public final class AttributeSet implements Comparable<AttributeSet> {
    private static final AttributeSet NONE = new AttributeSet(new long[0]);

    private final long[] words;

    private AttributeSet(long[] words) {
        this.words = words;
    }

    /** The empty set. */
    public static AttributeSet none() {
        return NONE;
    }

    /** The set of the given places. */
    public static AttributeSet of(int... places) {
        long[] words = new long[places.length == 0 ? 0 : (Arrays.stream(places).max().orElseThrow() >> 6) + 1];
        for (int place : places) {
            words[place >> 6] |= 1L << place;
        }
        return trimmed(words);
    }

    /** The set of the first so many places. */
    public static AttributeSet first(int size) {
        long[] words = new long[(size + 63) >> 6];
        Arrays.fill(words, -1);
        if ((size & 63) != 0) {
            words[words.length - 1] = (1L << size) - 1;
        }
        return trimmed(words);
    }

    /** The set whose members are the set bits of a word. */
    public static AttributeSet ofBits(long bits) {
        return bits == 0 ? NONE : new AttributeSet(new long[] {bits});
    }

    private static AttributeSet trimmed(long[] words) {
        int length = words.length;
        while (length > 0 && words[length - 1] == 0) {
            length--;
        }
        return length == 0 ? NONE : new AttributeSet(length == words.length ? words : Arrays.copyOf(words, length));
    }

    /** Whether a place is in it. */
    public boolean contains(int place) {
        return place >> 6 < words.length && (words[place >> 6] >> place & 1) != 0;
    }

    /** Whether all of another set are in it. */
    public boolean containsAll(AttributeSet other) {
        if (other.words.length > words.length) {
            return false;
        }
        for (int i = 0; i < other.words.length; i++) {
            if ((other.words[i] & ~words[i]) != 0) {
                return false;
            }
        }
        return true;
    }

    /** Whether it shares a member with another set. */
    public boolean meets(AttributeSet other) {
        for (int i = 0; i < Math.min(words.length, other.words.length); i++) {
            if ((words[i] & other.words[i]) != 0) {
                return true;
            }
        }
        return false;
    }

    /** With one more member. */
    public AttributeSet with(int place) {
        return contains(place) ? this : union(of(place));
    }

    /** Without one member. */
    public AttributeSet without(int place) {
        if (!contains(place)) {
            return this;
        }
        long[] next = words.clone();
        next[place >> 6] &= ~(1L << place);
        return trimmed(next);
    }

    /** What is in either. */
    public AttributeSet union(AttributeSet other) {
        long[] longer = words.length >= other.words.length ? words : other.words;
        long[] shorter = longer == words ? other.words : words;
        long[] next = longer.clone();
        for (int i = 0; i < shorter.length; i++) {
            next[i] |= shorter[i];
        }
        return next.length == 0 ? NONE : new AttributeSet(next);
    }

    /** What is in both. */
    public AttributeSet intersection(AttributeSet other) {
        long[] next = new long[Math.min(words.length, other.words.length)];
        for (int i = 0; i < next.length; i++) {
            next[i] = words[i] & other.words[i];
        }
        return trimmed(next);
    }

    /** What is in this and not in the other. */
    public AttributeSet minus(AttributeSet other) {
        long[] next = words.clone();
        for (int i = 0; i < Math.min(words.length, other.words.length); i++) {
            next[i] &= ~other.words[i];
        }
        return trimmed(next);
    }

    /** How many members it has. */
    public int size() {
        int size = 0;
        for (long word : words) {
            size += Long.bitCount(word);
        }
        return size;
    }

    public boolean isEmpty() {
        return words.length == 0;
    }

    /** Its smallest member; -1 if it has none. */
    public int smallest() {
        for (int i = 0; i < words.length; i++) {
            if (words[i] != 0) {
                return (i << 6) + Long.numberOfTrailingZeros(words[i]);
            }
        }
        return -1;
    }

    /** Does something for each member, smallest first. */
    public void forEach(IntConsumer action) {
        for (int i = 0; i < words.length; i++) {
            for (long word = words[i]; word != 0; word &= word - 1) {
                action.accept((i << 6) + Long.numberOfTrailingZeros(word));
            }
        }
    }

    /** Its members, smallest first. */
    public List<Integer> members() {
        List<Integer> members = new ArrayList<>();
        forEach(members::add);
        return members;
    }

    /** Its members, smallest first. */
    public int[] places() {
        int[] places = new int[size()];
        int[] next = {0};
        forEach(place -> places[next[0]++] = place);
        return places;
    }

    /** Smaller sets first; sets of one size by their members in order. */
    @Override
    public int compareTo(AttributeSet other) {
        int bySize = Integer.compare(size(), other.size());
        return bySize != 0 ? bySize : Arrays.compare(places(), other.places());
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof AttributeSet set && Arrays.equals(words, set.words);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(words);
    }

    @Override
    public String toString() {
        return members().toString();
    }
}
