package entaxis.web.ledger;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Assumption;
import entaxis.core.design.Design;
import java.util.Comparator;
import java.util.List;

/**
 * Every relationship as its two sentences, to be read aloud and agreed.
 *
 * @param agreed      how many sentences are agreed
 * @param all         how many there are
 * @param assumptions those that were written down, in the order of their numbers
 */
public record ReadAloud(List<RelationshipLedger> relationships, int agreed, int all, List<Assumption> assumptions) {
    /** The list of a design; only what is not yet agreed, if asked. */
    public static ReadAloud of(Design design, Derivation derivation, boolean open) {
        List<RelationshipLedger> every = design.relationships().stream()
                .map(relationship -> RelationshipLedger.of(design, derivation, relationship)).toList();
        List<RelationshipLedger> shown = every.stream()
                .filter(card -> !open || card.readings().stream().anyMatch(reading -> !reading.agreed())).toList();
        int agreed = (int) every.stream().flatMap(card -> card.readings().stream())
                .filter(RelationshipLedger.Reading::agreed).count();
        return new ReadAloud(shown, agreed, every.size() * 2,
                design.assumptions().stream().sorted(Comparator.comparingInt(Assumption::number)).toList());
    }
}
