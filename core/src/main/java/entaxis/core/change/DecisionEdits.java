package entaxis.core.change;

import entaxis.core.design.AcceptedFinding;
import entaxis.core.design.Decision;
import entaxis.core.design.DecisionId;
import entaxis.core.design.Design;
import java.util.Optional;

/** Edits of what is decided about findings. */
final class DecisionEdits {
    private static final int MAX_COUNT = 5000;

    private DecisionEdits() { }

    static EditStep decide(Design design, Decision decision) {
        if (design.decisions().size() >= MAX_COUNT && !design.decisions().contains(decision.id())) {
            return EditStep.refused(design, "",
                    "At most " + MAX_COUNT + " decisions about findings are kept. Take some back first.");
        }
        Optional<String> fault = decision instanceof AcceptedFinding accepted
                ? Invariants.text(accepted.reason(), "The reason") : Optional.empty();
        return fault.map(message -> EditStep.refused(design, "value", message))
                .orElseGet(() -> EditStep.done(design.withDecisions(design.decisions().with(decision))));
    }

    static EditStep withdraw(Design design, DecisionId id) {
        return design.decisions().contains(id) ? EditStep.done(design.withDecisions(design.decisions().without(id)))
                : EditStep.refused(design, "", "This decision has been taken back already.");
    }
}
