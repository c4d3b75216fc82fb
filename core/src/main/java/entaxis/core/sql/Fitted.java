package entaxis.core.sql;

import entaxis.core.schema.Schema;
import java.util.List;

/**
 * A schema as an engine can hold it.
 *
 * @param schema   the schema in the engine's types, words and names; reading back what is written of it gives the same again
 * @param findings what is not as it was asked for
 */
public record Fitted(Schema schema, List<Finding> findings) {
    /** Copies the findings. */
    public Fitted {
        findings = List.copyOf(findings);
    }
}
