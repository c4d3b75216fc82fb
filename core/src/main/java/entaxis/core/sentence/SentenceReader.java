package entaxis.core.sentence;

import entaxis.core.design.Cardinality;
import entaxis.core.design.SqlName;
import entaxis.core.word.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads sentences such as “Each collector takes part in zero or more trips.” and “Each trip is made by one or more
 * collectors.” Two sentences over the same two entities that say the two directions become one relationship; a sentence
 * alone leaves the other direction to be asked about. Linear in the text times the number of entities.
 */
public final class SentenceReader {
    private static final Pattern SENTENCE = Pattern.compile("[^.;/\\n]+");
    private static final List<String> EACH = List.of("each", "every", "a", "an", "one");
    private static final int MAX_COUNT = 1000;

    private SentenceReader() { }

    /**
     * What one sentence says.
     *
     * @param subject the entity that it speaks of, as named in the design or, where there is none, as typed
     */
    public record ReadSentence(String subject, String verb, Cardinality cardinality, String object, int line) { }

    /**
     * A sentence that is not understood.
     *
     * @param line   its line, from 1
     * @param column its first character that is not, from 1
     */
    public record NotUnderstood(int line, int column, String message) { }

    /** Two directions of one relationship; the second may not have been said. */
    public record Pair(ReadSentence there, Optional<ReadSentence> back) { }

    /** What came of reading: pairs in the order in which they were begun, or what was not understood. */
    public record Reading(List<Pair> pairs, List<NotUnderstood> faults) { }

    /** Reads all sentences of a text; with any fault, nothing of it is to be used. */
    public static Reading read(String text, List<String> entities) {
        List<ReadSentence> said = new ArrayList<>();
        List<NotUnderstood> faults = new ArrayList<>();
        String[] lines = text.split("\\R", -1);
        for (int i = 0; i < lines.length && said.size() < MAX_COUNT; i++) {
            Matcher matcher = SENTENCE.matcher(lines[i]);
            while (matcher.find()) {
                if (!matcher.group().isBlank()) {
                    one(matcher.group(), i + 1, matcher.start(), entities, said, faults);
                }
            }
        }
        return new Reading(pairs(said), faults);
    }

    private static void one(String sentence, int line, int start, List<String> entities, List<ReadSentence> said,
            List<NotUnderstood> faults) {
        List<Word> words = words(sentence);
        int column = start + words.getFirst().start() + 1;
        if (!EACH.contains(words.getFirst().text().toLowerCase(Locale.ROOT))) {
            faults.add(new NotUnderstood(line, column,
                    "A sentence begins with “Each”, as in: Each collector takes part in zero or more trips."));
            return;
        }
        List<String> texts = words.stream().map(Word::text).toList();
        int subjectWords = known(texts, 1, entities).map(Name::words).orElse(1);
        if (words.size() < subjectWords + 2) {
            faults.add(new NotUnderstood(line, start + sentence.length() + 1, "A verb is missing after “"
                    + rest(texts, 1) + "”, as in: Each collector takes part in zero or more trips."));
            return;
        }
        String subject = known(texts, 1, entities).map(Name::name).orElse(texts.get(1));
        for (int at = subjectWords + 2; at < texts.size(); at++) {
            Optional<Counts.Count> count = Counts.at(texts, at);
            if (count.isPresent() && at + count.get().words() < texts.size()) {
                int objectAt = at + count.get().words();
                boolean many = count.get().cardinality().many();
                String object = known(texts, objectAt, entities)
                        .filter(name -> objectAt + name.words() == texts.size()).map(Name::name)
                        .orElseGet(() -> many ? Words.singular(rest(texts, objectAt)) : rest(texts, objectAt));
                said.add(new ReadSentence(subject, String.join(" ", texts.subList(subjectWords + 1, at)),
                        count.get().cardinality(), object, line));
                return;
            }
        }
        int unknown = start + words.get(Math.min(words.size() - 1, subjectWords + 1)).start() + 1;
        faults.add(new NotUnderstood(line, unknown,
                "How many is missing: say exactly one, zero or one, one or more, zero or more, or numbers such as 2 to "
                        + "5, before the other entity."));
    }

    private record Word(String text, int start) { }

    private record Name(String name, int words) { }

    private static List<Word> words(String sentence) {
        List<Word> words = new ArrayList<>();
        Matcher matcher = Pattern.compile("[^\\s,]+").matcher(sentence);
        while (matcher.find()) {
            words.add(new Word(matcher.group(), matcher.start()));
        }
        return words;
    }

    private static String rest(List<String> words, int from) {
        return from < words.size() ? String.join(" ", words.subList(from, words.size())) : "";
    }

    /** The entity, in the singular or plural, whose name begins at a word; the longest one. */
    private static Optional<Name> known(List<String> words, int from, List<String> entities) {
        Optional<Name> best = Optional.empty();
        for (String entity : entities) {
            int length = entity.strip().split("\\s+").length;
            if (from + length <= words.size() && best.map(name -> name.words() < length).orElse(true)) {
                String said = SqlName.of(String.join(" ", words.subList(from, from + length)));
                if (said.equals(SqlName.of(entity)) || said.equals(SqlName.of(Words.plural(entity)))
                        || said.equals(SqlName.of(Words.singular(entity)))) {
                    best = Optional.of(new Name(entity, length));
                }
            }
        }
        return best;
    }

    private static List<Pair> pairs(List<ReadSentence> said) {
        List<Pair> pairs = new ArrayList<>();
        List<ReadSentence> open = new ArrayList<>(said);
        while (!open.isEmpty()) {
            ReadSentence first = open.removeFirst();
            Optional<ReadSentence> back =
                    open.stream().filter(other -> SqlName.of(other.subject()).equals(SqlName.of(first.object()))
                    && SqlName.of(other.object()).equals(SqlName.of(first.subject()))).findFirst();
            back.ifPresent(open::remove);
            pairs.add(new Pair(first, back));
        }
        return pairs;
    }
}
