package entaxis.core.reading;

import java.util.Arrays;
import java.util.Optional;

/**
 * Remembers what the definitions of a script mean by the signs that they are written with. Scripts say few things often ({@code bigint NOT NULL} of many columns); what was
 * read once need not be cut into tokens and read again. A phrase begins behind the name that it defines and ends before the comma or bracket that ends the definition; only what
 * means the same behind every name is remembered, so that a script is read alike with and without this.
 */
final class Phrases {
    /** How many signs a phrase may have, and how many phrases are kept; both bound the work and the memory that a script can ask for. */
    private static final int LONGEST = 240;
    private static final int MOST = 4096;
    private static final int PLACES_FIRST = 64;
    private static final int GUESSES = 256;

    private static final byte OPEN = 1;
    private static final byte CLOSE = 2;
    private static final byte COMMA = 3;
    private static final byte QUOTE = 4;
    private static final byte OTHER = 5;
    private static final byte[] CLASSES = new byte[128];

    static {
        CLASSES['('] = OPEN;
        CLASSES[')'] = CLOSE;
        CLASSES[','] = COMMA;
        CLASSES['\''] = QUOTE;
        "\"`[]\\;#/*-$@{}".chars().forEach(c -> CLASSES[c] = OTHER);
    }

    private final String text;
    /** What was found last for each hint. */
    private final Phrase[] guesses = new Phrase[GUESSES];
    /** By the sums of their signs; at most half full. */
    private Phrase[] kept = {};
    private int count;
    private int end;
    private long sum;

    Phrases(String text) {
        this.text = text;
    }

    /** What a run of signs means, and where it stands for the first time. */
    private record Phrase(long sum, int from, int length, Meaning meaning) { }

    /**
     * The meaning of what begins at a place, if the same was read before. Looks at each sign a few times at most.
     *
     * @param hint a number that is mostly the same where the meaning is; what stood there last is tried first
     */
    Optional<Meaning> at(int from, int hint) {
        if (count == 0) {
            return Optional.empty();
        }
        Phrase guess = guesses[hint & GUESSES - 1];
        if (guess != null && stands(guess, from)) {
            end = from + guess.length;
            return Optional.of(guess.meaning);
        }
        Optional<Phrase> found = measured(from) ? found(from) : Optional.empty();
        if (found.isPresent()) {
            guesses[hint & GUESSES - 1] = found.get();
        }
        return found.map(Phrase::meaning);
    }

    private boolean stands(Phrase phrase, int from) {
        int behind = from + phrase.length;
        return behind < text.length() && (text.charAt(behind) == ',' || text.charAt(behind) == ')') && text.regionMatches(from, text, phrase.from, phrase.length);
    }

    /** The phrase that was measured. */
    private Optional<Phrase> found(int from) {
        for (int place = place(sum); count > 0 && kept[place] != null; place = place + 1 & kept.length - 1) {
            Phrase phrase = kept[place];
            if (phrase.sum == sum && from + phrase.length == end && stands(phrase, from)) {
                return Optional.of(phrase);
            }
        }
        return Optional.empty();
    }

    /** Where the phrase that was found last ends. */
    int end() {
        return end;
    }

    /** Remembers what stands between two places, if it can be found again. */
    void remember(int from, int to, Meaning meaning) {
        if (!hasRoom() || !measured(from) || end != to || found(from).isPresent()) {
            return;
        }
        if (2 * (count + 1) > kept.length) {
            Phrase[] before = kept;
            kept = new Phrase[Math.max(PLACES_FIRST, 2 * before.length)];
            for (Phrase phrase : before) {
                if (phrase != null) {
                    put(phrase);
                }
            }
        }
        put(new Phrase(sum, from, to - from, meaning));
        count++;
    }

    private void put(Phrase phrase) {
        int place = place(phrase.sum);
        while (kept[place] != null) {
            place = place + 1 & kept.length - 1;
        }
        kept[place] = phrase;
    }

    boolean hasRoom() {
        return count < MOST;
    }

    /** Forgets everything: from here on the same signs may mean something else. */
    void forget() {
        if (count > 0) {
            Arrays.fill(kept, null);
            Arrays.fill(guesses, null);
            count = 0;
        }
    }

    private int place(long sum) {
        return (int) (sum * 0x9E3779B97F4A7C15L >>> 40) & kept.length - 1;
    }

    /** Finds the end of what begins at a place and adds up its signs; false where something in it could hide the end. */
    private boolean measured(int from) {
        int last = Math.min(text.length(), from + LONGEST);
        int depth = 0;
        long added = 0;
        for (int i = from; i < last; i++) {
            char c = text.charAt(i);
            byte sort = c < 128 ? CLASSES[c] : 0;
            if (sort != 0) {
                switch (sort) {
                    case OPEN -> depth++;
                    case QUOTE -> {
                        int close = i + 1;
                        while (close < last && text.charAt(close) != '\'' && text.charAt(close) != '\\') {
                            added = Long.rotateLeft(added, 7) ^ text.charAt(close++);
                        }
                        if (close >= last || text.charAt(close) != '\'') {
                            return false;
                        }
                        i = close;
                    }
                    case OTHER -> {
                        return false;
                    }
                    default -> {
                        if (depth == 0) {
                            end = i;
                            sum = added;
                            return true;
                        }
                        depth -= sort == CLOSE ? 1 : 0;
                    }
                }
            }
            added = Long.rotateLeft(added, 7) ^ c;
        }
        return false;
    }
}
