package entaxis.core.review;

import java.util.List;

/**
 * What is known of a rule.
 *
 * @param id     its name, the same for good
 * @param family what it is about
 * @param title  what it finds, in a few words
 * @param why    why that matters, in a sentence
 * @param source the theorem, manual or practice that it rests on
 */
public record RuleInfo(String id, Family family, Level level, Basis basis, String title, String why, String source) {
    /** What the rule found, at its own level. */
    public Finding found(List<About> about, String sentence, List<String> evidence, List<SuggestedChange> remedies) {
        return new Finding(id, level, about, sentence, evidence, remedies);
    }
}
