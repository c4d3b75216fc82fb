package entaxis.core.design;

/** What the designers have decided about findings. */
public sealed interface Decision extends Elements.Element<DecisionId> permits RuleLevel, AcceptedFinding { }
