package entaxis.core.review.names;

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
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
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

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        Map<String, List<About>> words = new LinkedHashMap<>();
        for (Entity entity : of.design().entities()) {
            Naming.words(entity.name()).forEach(
                    word -> words.computeIfAbsent(plain(word), any -> new ArrayList<>()).add(of.about(entity)));
            entity.attributes().forEach(own -> Naming.words(own.name()).forEach(
                    word -> words.computeIfAbsent(plain(word), any -> new ArrayList<>()).add(of.about(entity, own))));
        }
        Map<String, Set<String>> alike = new LinkedHashMap<>();
        words.keySet().stream().filter(word -> word.length() >= MIN_LENGTH).forEach(word -> without(word)
                .forEach(part -> alike.computeIfAbsent(part, any -> new LinkedHashSet<>()).add(word)));
        Set<Set<String>> told = new HashSet<>();
        alike.values().stream().filter(some -> some.size() > 1)
                .forEach(some -> some.forEach(one -> some.forEach(other -> {
            if (one.compareTo(other) < 0 && oneApart(one, other) && told.add(Set.of(one, other))) {
                found.accept(finding(words, one, other));
            }
        })));
        ABBREVIATED.forEach((brief, whole) -> {
            if (words.containsKey(brief) && words.containsKey(whole)) {
                found.accept(finding(words, brief, whole));
            }
        });
    }

    private static String plain(String word) {
        return Words.singular(word.toLowerCase(Locale.ROOT));
    }

    /**
     * The word and what is left of it without one of its letters: words that are one letter apart have one of these in
     * common.
     */
    private static Set<String> without(String word) {
        Set<String> parts = new LinkedHashSet<>(List.of(word));
        for (int i = 0; i < word.length(); i++) {
            parts.add(word.substring(0, i) + word.substring(i + 1));
        }
        return parts;
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

    private static Finding finding(Map<String, List<About>> words, String one, String other) {
        List<About> about = new ArrayList<>(words.get(one));
        about.addAll(words.get(other));
        return new Finding(INFO.id(), INFO.level(), about.stream().distinct().toList(),
                "“" + one + "” and “" + other + "” in names look like two spellings of one word.",
                List.of(one + ": " + names(words.get(one)), other + ": " + names(words.get(other))), List.of());
    }

    private static String names(List<About> some) {
        return some.stream().map(About::name).distinct().limit(MAX_COUNT).collect(Collectors.joining(", "));
    }
}
