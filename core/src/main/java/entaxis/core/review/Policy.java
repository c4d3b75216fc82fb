package entaxis.core.review;

import java.util.Map;
import java.util.Optional;

/**
 * Which rules speak, and at which level: what a team has agreed on.
 *
 * @param levels the level of each rule that does not keep its own; empty for a rule that is switched off
 */
public record Policy(Map<String, Optional<Level>> levels) {
    /** Every rule at its own level. */
    public static final Policy USUAL = new Policy(Map.of());

    /** Copies the levels. */
    public Policy {
        levels = Map.copyOf(levels);
    }

    /** The finding as the policy has it; nothing if its rule is switched off. */
    Optional<Finding> applied(Finding finding) {
        Optional<Level> level = levels.get(finding.rule());
        return level == null ? Optional.of(finding) : level.map(finding::at);
    }
}
