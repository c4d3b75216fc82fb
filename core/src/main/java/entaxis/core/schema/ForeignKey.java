package entaxis.core.schema;

import java.util.List;

/**
 * A referential constraint (ISO/IEC 9075-2, 11.8).
 *
 * @param name              its name; empty where none was given and the engine makes one up
 * @param columns           the referring columns
 * @param referenced        the table that it leads to, by the name that the schema has for it
 * @param referencedColumns the columns of the referenced key, in the same order
 */
public record ForeignKey(String name, List<String> columns, QualifiedName referenced,
        List<String> referencedColumns, ReferentialAction onDelete, ReferentialAction onUpdate, Deferral deferral)
        implements TablePart {
    /** Copies the columns. */
    public ForeignKey {
        columns = List.copyOf(columns);
        referencedColumns = List.copyOf(referencedColumns);
    }

    /** A constraint that refuses what it cannot keep, checked after each statement. */
    public static ForeignKey of(String name, List<String> columns, QualifiedName referenced,
            List<String> referencedColumns) {
        return new ForeignKey(name, columns, referenced, referencedColumns,
                ReferentialAction.NO_ACTION, ReferentialAction.NO_ACTION, Deferral.NOT_DEFERRABLE);
    }

    /** The name of the referenced table within its schema. */
    public String referencedTable() {
        return referenced.name();
    }

    /** This constraint with other actions. */
    public ForeignKey withActions(ReferentialAction newOnDelete, ReferentialAction newOnUpdate) {
        return new ForeignKey(name, columns, referenced, referencedColumns, newOnDelete, newOnUpdate, deferral);
    }

    /** This constraint, checked at another time. */
    public ForeignKey with(Deferral newDeferral) {
        return new ForeignKey(name, columns, referenced, referencedColumns, onDelete, onUpdate, newDeferral);
    }

    /** This constraint under another name. */
    public ForeignKey named(String newName) {
        return new ForeignKey(newName, columns, referenced, referencedColumns, onDelete, onUpdate, deferral);
    }

    /** This constraint over other columns. */
    public ForeignKey over(List<String> newColumns) {
        return new ForeignKey(name, newColumns, referenced, referencedColumns, onDelete, onUpdate, deferral);
    }

    /** The same, leading to another table. */
    public ForeignKey to(QualifiedName newTable, List<String> newColumns) {
        return new ForeignKey(name, columns, newTable, newColumns, onDelete, onUpdate, deferral);
    }

    /** The same, leading to another table by columns of the same names. */
    public ForeignKey to(QualifiedName newTable) {
        return to(newTable, referencedColumns);
    }

    /** Whether it says the same as another, their names aside. */
    public boolean isAlike(ForeignKey other) {
        return named("").equals(other.named(""));
    }
}
