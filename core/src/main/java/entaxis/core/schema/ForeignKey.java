package entaxis.core.schema;

import entaxis.core.design.ReferentialAction;
import entaxis.core.design.RelationshipId;
import java.util.List;
import java.util.Optional;

/**
 * A referential constraint (ISO/IEC 9075-2, 11.8).
 *
 * @param origin            the relationship that it was derived from
 * @param columns           the referring columns
 * @param referencedColumns the columns of the referenced key, in the same order
 */
public record ForeignKey(Optional<RelationshipId> origin, String name, List<String> columns, String referencedTable, List<String> referencedColumns,
        ReferentialAction onDelete, ReferentialAction onUpdate) {
    /** Copies the columns. */
    public ForeignKey {
        columns = List.copyOf(columns);
        referencedColumns = List.copyOf(referencedColumns);
    }
}
