package entaxis.core.change;

import entaxis.core.design.Assumption;
import entaxis.core.design.AssumptionId;
import entaxis.core.design.Design;
import java.util.Optional;

/** Edits of the assumptions written down at relationships. */
final class AssumptionEdits {
    private AssumptionEdits() { }

    static EditStep put(Design design, Assumption assumption) {
        if (!design.relationships().contains(assumption.relationship())) {
            return EditStep.refused(design, "", "The relationship of this assumption is no longer there.");
        }
        if (assumption.text().isBlank()) {
            return EditStep.refused(design, "assumption",
                    "Write what is assumed, as in: a trip may end without a find.");
        }
        Optional<String> fault = Invariants.text(assumption.text(), "The assumption");
        boolean taken = design.assumptions().stream()
                .anyMatch(other -> other.number() == assumption.number() && !other.id().equals(assumption.id()));
        if (fault.isPresent() || taken || assumption.number() < 1) {
            return EditStep.refused(design, "assumption",
                    fault.orElse("There is an assumption " + assumption.number() + " already. Number it otherwise."));
        }
        return EditStep.done(design.withAssumptions(design.assumptions().with(assumption)));
    }

    static EditStep remove(Design design, AssumptionId assumption) {
        return design.assumptions().contains(assumption)
                ? EditStep.done(design.withAssumptions(design.assumptions().without(assumption)))
                : EditStep.refused(design, "", "This assumption is no longer there.");
    }
}
