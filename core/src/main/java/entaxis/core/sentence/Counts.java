package entaxis.core.sentence;

import entaxis.core.design.Cardinality;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/** Cardinalities as people say them. */
public final class Counts {
    private static final Map<String,
            Integer> NUMBERS = Map.ofEntries(Map.entry("no", 0), Map.entry("zero", 0), Map.entry("a", 1),
                    Map.entry("an", 1), Map.entry("one", 1),
                    Map.entry("two", 2), Map.entry("three", 3), Map.entry("four", 4), Map.entry("five", 5),
                    Map.entry("six", 6), Map.entry("seven", 7), Map.entry("eight", 8),
            Map.entry("nine", 9), Map.entry("ten", 10), Map.entry("eleven", 11), Map.entry("twelve", 12));
    private static final int LARGEST = 1_000_000;

    private Counts() { }

    /** How many, and how many words said it. */
    record Count(Cardinality cardinality, int words) { }

    /** Reads a whole text, such as “zero or more”, “2 to 5” or “exactly three”. */
    public static Optional<Cardinality> read(String text) {
        List<String> words = List.of(text.strip().toLowerCase(Locale.ROOT).split("[\\s,]+"));
        return at(words, 0).filter(count -> count.words() == words.size()).map(Count::cardinality);
    }

    /** The longest cardinality that begins at a word, if one does. */
    static Optional<Count> at(List<String> words, int from) {
        List<String> rest =
                words.subList(from, words.size()).stream().map(word -> word.toLowerCase(Locale.ROOT)).toList();
        return phrase(rest, "one and only one", Cardinality.EXACTLY_ONE)
                .or(() -> phrase(rest, "zero one or more", Cardinality.ZERO_OR_MORE))
                .or(() -> phrase(rest, "at most one", Cardinality.ZERO_OR_ONE))
                .or(() -> phrase(rest, "at least one", Cardinality.ONE_OR_MORE))
                .or(() -> phrase(rest, "any number of", Cardinality.ZERO_OR_MORE))
                .or(() -> phrase(rest, "some", Cardinality.ONE_OR_MORE))
                .or(() -> phrase(rest, "many", Cardinality.ZERO_OR_MORE)).or(() -> numbers(rest));
    }

    private static Optional<Count> phrase(List<String> words, String phrase, Cardinality cardinality) {
        List<String> said = List.of(phrase.split(" "));
        return words.size() >= said.size() && words.subList(0, said.size()).equals(said)
                ? Optional.of(new Count(cardinality, said.size())) : Optional.empty();
    }

    /** “exactly 3”, “at most 4”, “at least 2”, “2 to 5”, “2 or more”, “zero or one”, “3”. */
    private static Optional<Count> numbers(List<String> words) {
        boolean exactly = word(words, 0, "exactly") || word(words, 0, "just");
        boolean most = word(words, 0, "at") && word(words, 1, "most");
        boolean least = word(words, 0, "at") && word(words, 1, "least");
        boolean between = word(words, 0, "between") || word(words, 0, "from");
        int at = exactly || between ? 1 : most || least ? 2 : 0;
        OptionalInt first = number(words, at);
        if (first.isEmpty()) {
            return Optional.empty();
        }
        int low = first.getAsInt();
        if (most) {
            return count(0, low, at + 1);
        }
        if (least || !exactly && word(words, at + 1, "or") && word(words, at + 2, "more")) {
            return count(low, Cardinality.MANY, least ? at + 1 : at + 3);
        }
        boolean range = word(words, at + 1, "to") || word(words, at + 1, "or") || between && word(words, at + 1, "and");
        OptionalInt second = range && !exactly ? number(words, at + 2) : OptionalInt.empty();
        return second.isPresent() ? count(low, second.getAsInt(), at + 3) : count(low, low, at + 1);
    }

    private static Optional<Count> count(int min, int max, int words) {
        return max < 1 || max < min ? Optional.empty() : Optional.of(new Count(new Cardinality(min, max), words));
    }

    private static boolean word(List<String> words, int at, String word) {
        return at < words.size() && words.get(at).equals(word);
    }

    private static OptionalInt number(List<String> words, int at) {
        if (at >= words.size()) {
            return OptionalInt.empty();
        }
        String word = words.get(at);
        if (NUMBERS.containsKey(word)) {
            return OptionalInt.of(NUMBERS.get(word));
        }
        return word.matches("\\d{1,7}") && Integer.parseInt(word) <= LARGEST ? OptionalInt.of(Integer.parseInt(word))
                : OptionalInt.empty();
    }
}
