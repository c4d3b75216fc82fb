package entaxis.core.review;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How grave a finding is. */
public enum Level {
    /** It cannot work, or breaks what the design claims. */
    FAULT("fault"),
    /** Probably not what was meant. */
    CAUTION("caution"),
    /** Worth a look. */
    HINT("hint");

    private final String word;

    Level(String word) {
        this.word = word;
    }

    /** The level in a word. */
    public String word() {
        return word;
    }

    /** The level of a word, in whatever case. */
    public static Optional<Level> of(String word) {
        return Arrays.stream(values()).filter(level -> level.word.equals(word.strip().toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    /** Whether it is as grave as another, or graver. */
    public boolean atLeast(Level other) {
        return compareTo(other) <= 0;
    }
}
