package entaxis.core.derive;

import entaxis.core.design.ColumnPath;
import entaxis.core.design.SampleRow;
import entaxis.core.schema.Column;

/**
 * A column with what it comes from.
 *
 * @param path the attribute that it was derived from, and the relationships that brought it here
 */
public record DerivedColumn(ColumnPath path, Column column) {

    /** Its name in the table. */
    public String name() {
        return column.name();
    }

    /** Whether a relationship brought it here. */
    public boolean migrated() {
        return path.migrated();
    }

    /** What a sample row has typed for it, without blanks around it; empty if nothing. */
    public String typed(SampleRow row) {
        return row.values().getOrDefault(path, "").strip();
    }

    /** The same, refusing null. */
    DerivedColumn required() {
        return column.required() ? this : new DerivedColumn(path, column.withRequired(true));
    }
}
