package entaxis.core.syntax;

import entaxis.core.token.Keyword;
import java.nio.charset.StandardCharsets;
import java.util.Locale;

/**
 * Names that a script has used, each as one string however often it stands there. Keeps so many that a large schema has
 * room; a name that falls out is only made again.
 */
final class NamePool {
    private static final int FEWEST = 1 << 5;
    private static final int MAX_COUNT = 1 << 14;
    private static final int SIGNS_FOR_EACH = 64;
    private static final int MAX_LENGTH = 63;
    private final String[] kept;
    private final int[] sums;
    private final boolean lower;

    /**
     * For a script of an engine.
     *
     * @param length how long the script is
     * @param lower  whether the engine folds names without quotes to lower case and cuts them
     */
    NamePool(int length, boolean lower) {
        int places = Integer.highestOneBit(Math.clamp(length / SIGNS_FOR_EACH, FEWEST, MAX_COUNT));
        this.kept = new String[places];
        this.sums = new int[places];
        this.lower = lower;
    }

    /** The name without quotes between two places of a text, given its number in {@link TokenizedStatement#sum}. */
    String at(String text, int from, int to, int sum) {
        return lower && ((sum & 1) != 0 || to - from > MAX_LENGTH / 4) ? given(text, from, to, sum)
                : held(text, from, to, sum);
    }

    /** The same for a name that is given to something here and is hardly spoken of again: no room is taken for it. */
    String given(String text, int from, int to, int sum) {
        String name = text.substring(from, to);
        return lower && ((sum & 1) != 0 || to - from > MAX_LENGTH / 4) ? folded(name) : name;
    }

    /** The name in quotes between two places; empty where a quote is part of it. */
    String quoted(String text, int from, int to) {
        int sum = 0;
        for (int i = from; i < to; i++) {
            if (text.charAt(i) == text.charAt(to)) {
                return "";
            }
            sum = Keyword.added(sum, text.charAt(i));
        }
        return lower && to - from > MAX_LENGTH / 4 ? cut(text.substring(from, to)) : held(text, from, to, sum << 1);
    }

    /** A name as PostgreSQL holds it where no quotes stand around it. */
    static String folded(String name) {
        boolean capital = name.chars().anyMatch(c -> c >= 'A' && c <= 'Z');
        return cut(capital ? name.toLowerCase(Locale.ROOT) : name);
    }

    /** A name as PostgreSQL holds it: cut at 63 bytes (PostgreSQL manual, 4.1.1). */
    static String cut(String name) {
        if (name.length() <= MAX_LENGTH / 4) {
            return name;
        }
        String cut = name;
        while (cut.getBytes(StandardCharsets.UTF_8).length > MAX_LENGTH) {
            int room = Math.min(cut.length() - 1, MAX_LENGTH);
            boolean half = room > 0 && Character.isHighSurrogate(cut.charAt(room - 1));
            cut = cut.substring(0, half ? room - 1 : room);
        }
        return cut;
    }

    private String held(String text, int from, int to, int sum) {
        int place = (sum * 0x9E3779B1 >>> 16) & kept.length - 1;
        String known = kept[place];
        if (known != null && sums[place] == sum && known.length() == to - from
                && text.regionMatches(from, known, 0, known.length())) {
            return known;
        }
        String name = text.substring(from, to);
        kept[place] = name;
        sums[place] = sum;
        return name;
    }
}
