package entaxis.core.review;

import entaxis.core.design.Decision;
import entaxis.core.design.DecisionId;
import entaxis.core.design.Design;
import entaxis.core.design.RuleLevel;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/**
 * Which rules speak, and at which level: what a team has agreed on.
 *
 * @param levels the level of each rule that does not keep its own; empty for a rule that is switched off
 */
public record Policy(Map<String, Optional<Level>> levels) {
    /** Every rule at its own level. */
    public static final Policy DEFAULT = new Policy(Map.of());

    /** Copies the levels. */
    public Policy {
        levels = Map.copyOf(levels);
    }

    /** What a design states of its own, under this policy, which goes first. */
    public Policy in(Design design) {
        Map<String, Optional<Level>> own = new HashMap<>();
        for (Decision decision : design.decisions()) {
            if (decision instanceof RuleLevel(DecisionId id, String level)) {
                own.put(id.value().replaceFirst("^rule ", ""), Level.of(level));
            }
        }
        own.putAll(levels);
        return new Policy(own);
    }

    /** The finding as the policy has it; nothing if its rule is switched off. */
    Optional<Finding> applied(Finding finding) {
        Optional<Level> level = levels.get(finding.rule());
        return level == null ? Optional.of(finding) : level.map(finding::at);
    }
}
