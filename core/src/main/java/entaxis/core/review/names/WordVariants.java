package entaxis.core.review.names;

import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.design.Naming;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.NamesRule;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Optional;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** Words in names that differ by one letter, or one of which abbreviates the other. */
public final class WordVariants implements NamesRule {
    private static final RuleInfo INFO =
            new RuleInfo("word-variants", Family.NAMES, Level.HINT, Basis.PRACTICE, "one word, two spellings",
            "Two spellings of one word are two things to everybody who was not there.",
            "common practice");
    private static final Map<String, String> ABBREVIATED = Map.of("addr", "address", "qty", "quantity", "amt", "amount",
            "descr", "description", "tel", "phone", "dept", "department");
    private static final String VOWELS = "aeiouy";
    private static final int MIN_LENGTH = 6;
    private static final int MAX_COUNT = 5;
    /** A prime, as large as to tell words apart in 64 bits. */
    private static final long BASE = 1_000_003;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    /** Where a word stands: in the name of an entity, or of an attribute of it. */
    private record Use(Entity entity, Optional<Attribute> attribute) {
        About about(Reviewed of) {
            return attribute.map(own -> of.about(entity, own)).orElseGet(() -> of.about(entity));
        }
    }

    /** Words that are one letter apart have the word without one of its letters in common. */
    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        Map<String, List<Use>> words = words(of);
        Map<Long, List<String>> alike = new LinkedHashMap<>();
        words.keySet().stream().filter(word -> word.length() >= MIN_LENGTH).forEach(word -> {
            for (long part : without(word)) {
                alike.computeIfAbsent(part, any -> new ArrayList<>(2)).add(word);
            }
        });
        Set<Set<String>> told = new HashSet<>();
        alike.values().stream().filter(some -> some.size() > 1)
                .forEach(some -> some.forEach(one -> some.forEach(other -> {
            if (one.compareTo(other) < 0 && oneApart(one, other) && told.add(Set.of(one, other))) {
                found.accept(finding(of, words, one, other));
            }
        })));
        ABBREVIATED.forEach((brief, whole) -> {
            if (words.containsKey(brief) && words.containsKey(whole)) {
                found.accept(finding(of, words, brief, whole));
            }
        });
    }

    private static Map<String, List<Use>> words(Reviewed of) {
        Map<String, String> plain = new HashMap<>();
        Map<String, List<Use>> words = new LinkedHashMap<>();
        for (Entity entity : of.design().entities()) {
            add(entity.name(), new Use(entity, Optional.empty()), plain, words);
            entity.attributes().forEach(own -> add(own.name(), new Use(entity, Optional.of(own)), plain, words));
        }
        return words;
    }

    private static void add(String name, Use use, Map<String, String> plain, Map<String, List<Use>> words) {
        Naming.words(name).forEach(word -> words
                .computeIfAbsent(plain.computeIfAbsent(word, WordVariants::plain), any -> new ArrayList<>()).add(use));
    }

    private static String plain(String word) {
        return Words.singular(word.toLowerCase(Locale.ROOT));
    }

    /**
     * Marks of the word and of what is left of it without one of its letters, each once: polynomial hashes, so that the
     * letters are gone through once. Words with a mark in common are compared letter by letter.
     */
    private static long[] without(String word) {
        int length = word.length();
        long[] behind = new long[length + 1];
        long[] powers = new long[length + 1];
        powers[0] = 1;
        for (int i = 0; i < length; i++) {
            powers[i + 1] = powers[i] * BASE;
        }
        for (int i = length - 1; i >= 0; i--) {
            behind[i] = behind[i + 1] + word.charAt(i) * powers[length - 1 - i];
        }
        long[] marks = new long[length + 1];
        long front = 0;
        for (int i = 0; i < length; i++) {
            marks[i] = front * powers[length - 1 - i] + behind[i + 1];
            front = front * BASE + word.charAt(i);
        }
        marks[length] = front;
        return Arrays.stream(marks).distinct().toArray();
    }

    /**
     * Whether one letter inside of the words was added, left out or exchanged; another last letter makes another word
     * (received, receiver).
     */
    private static boolean oneApart(String one, String other) {
        int front = 0;
        while (front < Math.min(one.length(), other.length()) && one.charAt(front) == other.charAt(front)) {
            front++;
        }
        int back = 0;
        while (back < Math.min(one.length(), other.length()) - front
                && one.charAt(one.length() - 1 - back) == other.charAt(other.length() - 1 - back)) {
            back++;
        }
        boolean digits = one.chars().anyMatch(Character::isDigit) || other.chars().anyMatch(Character::isDigit);
        boolean exchanged = one.length() == other.length();
        // another consonant makes another word (content, context), another vowel hardly ever does
        boolean slip = !exchanged || front < one.length() && VOWELS.indexOf(one.charAt(front)) >= 0
                && VOWELS.indexOf(other.charAt(front)) >= 0;
        return !digits && slip && back > 0 && front > 1 && Math.max(one.length(), other.length()) - front - back <= 1;
    }

    private static Finding finding(Reviewed of, Map<String, List<Use>> words, String one, String other) {
        List<About> first = words.get(one).stream().map(use -> use.about(of)).toList();
        List<About> second = words.get(other).stream().map(use -> use.about(of)).toList();
        List<About> about = new ArrayList<>(first);
        about.addAll(second);
        return new Finding(INFO.id(), INFO.level(), about.stream().distinct().toList(),
                "“" + one + "” and “" + other + "” in names look like two spellings of one word.",
                List.of(one + ": " + names(first), other + ": " + names(second)), List.of());
    }

    private static String names(List<About> some) {
        return some.stream().map(About::name).distinct().limit(MAX_COUNT).collect(Collectors.joining(", "));
    }
}
