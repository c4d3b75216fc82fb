package entaxis.core.change;

import entaxis.core.design.AcceptedFinding;
import entaxis.core.design.Decision;
import entaxis.core.design.DecisionId;
import entaxis.core.design.Design;
import java.util.Optional;

/** Edits of what is decided about findings. */
final class DecisionEdits {
    private static final int MOST = 5000;

    private DecisionEdits() { }

    static Step decide(Design design, Decision decision) {
        if (design.decisions().size() >= MOST && !design.decisions().contains(decision.id())) {
            return Step.refused(design, "", "At most " + MOST + " decisions about findings are kept. Take some back first.");
        }
        Optional<String> fault = decision instanceof AcceptedFinding accepted ? Rules.text(accepted.reason(), "The reason") : Optional.empty();
        return fault.map(message -> Step.refused(design, "value", message)).orElseGet(() -> Step.done(design.withDecisions(design.decisions().with(decision))));
    }

    static Step withdraw(Design design, DecisionId id) {
        return design.decisions().contains(id) ? Step.done(design.withDecisions(design.decisions().without(id)))
                : Step.refused(design, "", "This decision has been taken back already.");
    }
}
