package entaxis.core.sql;

import entaxis.core.schema.Schema;
import java.util.List;

/**
 * A schema as an engine can hold it.
 *
 * @param schema   the schema in the engine's types, words and names; reading back what is written of it gives the same
 *                 again
 * @param findings what is not as it was asked for
 */
public record AdaptedSchema(Schema schema, List<AdaptationNote> findings) {
    /** Copies the findings. */
    public AdaptedSchema {
        findings = List.copyOf(findings);
    }
}
