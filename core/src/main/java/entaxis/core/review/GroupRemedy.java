package entaxis.core.review;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Patch;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The first remedies of all findings of one rule as a single edit. They are carried out in rounds: what touches an
 * element that was touched before in the same round waits for the next one, when it is judged again.
 *
 * @param change  the whole as one step
 * @param resolved how many findings it ends
 */
public record GroupRemedy(Change change, long resolved) {
    private static final int ROUNDS = 20;

    /** The remedy of a group; nothing if there is none, or if it would make a fault. */
    public static Optional<GroupRemedy> of(Design design, String rule, Policy policy) {
        Design now = design;
        Review review = Review.of(Reviewed.of(now, Derivation.of(now)), policy);
        long faults = review.count(Level.FAULT);
        long before = findings(review, rule).size();
        for (int round = 0; round < ROUNDS; round++) {
            Design next = round(now, findings(review, rule));
            if (next == now) {
                break;
            }
            Review after = Review.after(review, Reviewed.of(next, Derivation.of(next)), policy);
            if (after.count(Level.FAULT) > faults) {
                break;
            }
            now = next;
            review = after;
        }
        long resolved = before - findings(review, rule).size();
        return now == design || resolved <= 0 ? Optional.empty()
                : Optional.of(new GroupRemedy(Patch.between(design, now), resolved));
    }

    private static List<Finding> findings(Review review, String rule) {
        return review.findings().stream().filter(finding -> finding.rule().equals(rule)).toList();
    }

    private static Design round(Design design, List<Finding> findings) {
        Design now = design;
        Set<String> touched = new HashSet<>();
        for (Finding finding : findings) {
            List<String> about = finding.about().stream().map(About::id).toList();
            if (!finding.remedies().isEmpty() && about.stream().noneMatch(touched::contains)
                    && Editor.apply(now, finding.remedies().getFirst().change()) instanceof Applied applied) {
                now = applied.design();
                touched.addAll(about);
            }
        }
        return now;
    }
}
