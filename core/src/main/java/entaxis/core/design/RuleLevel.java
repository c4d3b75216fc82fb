package entaxis.core.design;

import java.util.Set;

/**
 * The level at which a rule speaks in this design.
 *
 * @param level the level's word; empty if the rule is switched off
 */
public record RuleLevel(DecisionId id, String level) implements Decision {
    private static final Set<String> LEVELS = Set.of("", "fault", "caution", "hint");

    /** Checks that it is about a rule, and that the level is one. */
    public RuleLevel {
        if (!id.value().startsWith("rule ") || !LEVELS.contains(level)) {
            throw new IllegalArgumentException(
                    "“" + id + "” at “" + level + "” is no level of a rule: fault, caution, hint, or empty for off");
        }
    }
}
