package entaxis.core.design;

/**
 * A finding that the designers live with, until its evidence changes.
 *
 * @param sentence what was found
 * @param evidence a mark of the evidence at that time
 * @param reason   why it stays; may be empty
 */
public record AcceptedFinding(DecisionId id, String sentence, String evidence, String reason) implements Decision {
    /** Checks that it is about a finding. */
    public AcceptedFinding {
        if (!id.value().startsWith("finding ")) {
            throw new IllegalArgumentException("“" + id + "” is no finding");
        }
    }
}
