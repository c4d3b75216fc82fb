package entaxis.core.design;



/**
 * What a decision about findings is about: a rule, or one finding of it.
 *
 * @param value {@code rule} and the rule's id, or {@code finding}, the rule's id and a mark of the finding; with blanks
 *              between
 */
public record DecisionId(String value) {
    private static final int MAX_LENGTH = 200;

    /** Checks the length. */
    public DecisionId {
        if (value.isBlank() || value.length() > MAX_LENGTH) {
            throw new IllegalArgumentException("“" + value + "” names no rule and no finding");
        }
    }

    /** The decision about a rule. */
    public static DecisionId rule(String rule) {
        return new DecisionId("rule " + rule);
    }

    /** The decision about one finding. */
    public static DecisionId finding(String rule, String mark) {
        return new DecisionId("finding " + rule + " " + mark);
    }

    @Override
    public String toString() {
        return value;
    }
}
