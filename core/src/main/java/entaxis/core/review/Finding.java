package entaxis.core.review;

import java.util.List;
import java.util.stream.Collectors;

/**
 * Something that a rule has to say about a design.
 *
 * @param rule     the rule's id
 * @param about    the elements, the first one first of all
 * @param sentence what is the matter, with the names filled in
 * @param evidence what shows it, line by line
 * @param remedies ways to set it right; none where only the designer can know
 */
public record Finding(String rule, Level level, List<About> about, String sentence, List<String> evidence, List<Remedy> remedies) {
    /** Copies the lists. */
    public Finding {
        about = List.copyOf(about);
        evidence = List.copyOf(evidence);
        remedies = List.copyOf(remedies);
    }

    /** Tells it from others: its rule and the elements. */
    public String key() {
        return rule + about.stream().map(one -> " " + one.kind().name().toLowerCase(java.util.Locale.ROOT) + " " + one.id() + " " + one.name()).collect(Collectors.joining());
    }

    /** The same at another level. */
    public Finding at(Level other) {
        return new Finding(rule, other, about, sentence, evidence, remedies);
    }
}
