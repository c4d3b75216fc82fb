package entaxis.core.reach;

import entaxis.core.reconcile.Risk;
import java.util.List;

/**
 * A change that could be made, and what a database would need for it.
 *
 * @param words      what would be done
 * @param refusal    why it cannot be done; empty if it can
 * @param statements for the design's engine, in order
 */
public record Foreseen(String words, String refusal, Risk risk, List<String> statements) {
    /** The statements as one script. */
    public String script() {
        return String.join(";\n", statements) + (statements.isEmpty() ? "" : ";");
    }
}
