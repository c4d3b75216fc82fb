package entaxis.core.schema;

import entaxis.core.design.ReferentialAction;
import entaxis.core.design.RelationshipId;
import java.util.List;
import java.util.Optional;

/**
 * A referential constraint (ISO/IEC 9075-2, 11.8).
 *
 * @param origin              the relationship that it was derived from
 * @param name                its name; empty where none was given and the engine makes one up
 * @param columns             the referring columns
 * @param referencedNamespace the schema of the referenced table, where it was named
 * @param referencedColumns   the columns of the referenced key, in the same order
 */
public record ForeignKey(Optional<RelationshipId> origin, String name, List<String> columns, String referencedNamespace,
        String referencedTable,
        List<String> referencedColumns, ReferentialAction onDelete, ReferentialAction onUpdate, Deferral deferral) {
    /** Copies the columns. */
    public ForeignKey {
        columns = List.copyOf(columns);
        referencedColumns = List.copyOf(referencedColumns);
    }

    /** A constraint on a table of the same schema, checked after each statement. */
    public ForeignKey(Optional<RelationshipId> origin, String name, List<String> columns, String referencedTable,
            List<String> referencedColumns,
            ReferentialAction onDelete, ReferentialAction onUpdate) {
        this(origin, name, columns, "", referencedTable, referencedColumns, onDelete, onUpdate,
                Deferral.NOT_DEFERRABLE);
    }

    /** This constraint with other actions. */
    public ForeignKey withActions(ReferentialAction newOnDelete, ReferentialAction newOnUpdate) {
        return new ForeignKey(origin, name, columns, referencedNamespace, referencedTable, referencedColumns,
                newOnDelete, newOnUpdate, deferral);
    }

    /** This constraint, checked at another time. */
    public ForeignKey with(Deferral newDeferral) {
        return new ForeignKey(origin, name, columns, referencedNamespace, referencedTable, referencedColumns, onDelete,
                onUpdate, newDeferral);
    }

    /** This constraint under another name. */
    public ForeignKey named(String newName) {
        return new ForeignKey(origin, newName, columns, referencedNamespace, referencedTable, referencedColumns,
                onDelete, onUpdate, deferral);
    }

    /** This constraint over other columns. */
    public ForeignKey over(List<String> newColumns) {
        return new ForeignKey(origin, name, newColumns, referencedNamespace, referencedTable, referencedColumns,
                onDelete, onUpdate, deferral);
    }

    /** The same, leading to another table of the same schema. */
    public ForeignKey to(String newTable, List<String> newColumns) {
        return new ForeignKey(origin, name, columns, referencedNamespace, newTable, newColumns, onDelete, onUpdate,
                deferral);
    }

    /** The same, leading into a table of another schema. */
    public ForeignKey into(String newNamespace) {
        return new ForeignKey(origin, name, columns, newNamespace, referencedTable, referencedColumns, onDelete,
                onUpdate, deferral);
    }
}
