package entaxis.core.design;

/**
 * The level at which a rule speaks in this design.
 *
 * @param level the level's word; empty if the rule is switched off
 */
public record RuleLevel(DecisionId id, String level) implements Decision { }
