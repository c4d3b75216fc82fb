package entaxis.core.reconcile;

import java.util.Arrays;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;

/** How alike two names are, from 0 to 1: by their words, and by the letters that change between them. */
final class NameSimilarity {
    private static final int MAX_LETTERS = 128;
    private static final int MIN_LENGTH = 3;
    private static final double AS_SHORTENED = 0.7;

    private NameSimilarity() { }

    static double of(String one, String other) {
        String left = one.toLowerCase(Locale.ROOT);
        String right = other.toLowerCase(Locale.ROOT);
        if (left.equals(right)) {
            return 1;
        }
        Set<String> words = words(left);
        Set<String> others = words(right);
        Set<String> shared = new HashSet<>(words);
        shared.retainAll(others);
        Set<String> all = new HashSet<>(words);
        all.addAll(others);
        double byWords = (double) shared.size() / all.size();
        int longest = Math.max(left.length(), right.length());
        double byLetters = longest > MAX_LETTERS ? 0 : 1 - (double) distance(left, right) / longest;
        boolean shortened = Math.min(left.length(), right.length()) >= MIN_LENGTH
                && (left.startsWith(right) || right.startsWith(left));
        return Math.max(shortened ? AS_SHORTENED : 0, Math.max(byWords, byLetters));
    }

    private static Set<String> words(String name) {
        return new HashSet<>(Arrays.asList(name.split("[^\\p{L}\\p{N}]+")));
    }

    /** How many letters have to be put in, taken out or exchanged (V. Levenshtein, 1966). Quadratic in the lengths. */
    private static int distance(String one, String other) {
        int[] row = new int[other.length() + 1];
        for (int j = 0; j <= other.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= one.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= other.length(); j++) {
                int above = row[j];
                row[j] = Math.min(Math.min(row[j] + 1, row[j - 1] + 1),
                        diagonal + (one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1));
                diagonal = above;
            }
        }
        return row[other.length()];
    }
}
