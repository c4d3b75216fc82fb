package entaxis.core.review;

import entaxis.core.design.DecisionId;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Something that a rule has to say about a design.
 *
 * @param rule     the rule's id
 * @param about    the elements, the first one first of all
 * @param sentence what is the matter, with the names filled in
 * @param evidence what shows it, line by line
 * @param remedies ways to set it right; none where only the designer can know
 */
public record Finding(String rule, Level level, List<About> about, String sentence, List<String> evidence,
        List<SuggestedChange> remedies) {
    /** Copies the lists. */
    public Finding {
        about = List.copyOf(about);
        evidence = List.copyOf(evidence);
        remedies = List.copyOf(remedies);
    }

    /** Tells it from others: its rule and the elements. */
    public String key() {
        return rule + about.stream()
                .map(one -> " " + one.kind().name().toLowerCase(Locale.ROOT) + " " + one.id() + " " + one.name())
                .collect(Collectors.joining());
    }

    /** By what a decision about it is kept. */
    public DecisionId decision() {
        return DecisionId.finding(rule, mark(key()));
    }

    /** A mark of all that it says, by which it is known whether something has changed. */
    public String evidenceMark() {
        return mark(sentence + "\n" + String.join("\n", evidence) + "\n" + key());
    }

    private static String mark(String text) {
        return UUID.nameUUIDFromBytes(text.getBytes(StandardCharsets.UTF_8)).toString();
    }

    /** The same with one more line of evidence. */
    Finding with(String line) {
        return new Finding(rule, level, about, sentence, Stream.concat(Stream.of(line), evidence.stream()).toList(),
                remedies);
    }

    /** The same at another level. */
    public Finding at(Level other) {
        return new Finding(rule, other, about, sentence, evidence, remedies);
    }
}
