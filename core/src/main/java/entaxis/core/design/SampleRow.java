package entaxis.core.design;

import java.util.HashMap;
import java.util.Map;

/**
 * One example row of a table.
 *
 * @param table  the entity or many-to-many whose table it is in
 * @param values what was typed, by the column's path; columns left out take their default
 */
public record SampleRow(RowId id, OwnerId table, Map<ColumnPath, String> values) implements Elements.Element<RowId> {
    /** Copies the values. */
    public SampleRow {
        values = Map.copyOf(values);
    }

    /** The row with another value in a column; none if it is empty. */
    public SampleRow with(ColumnPath column, String value) {
        Map<ColumnPath, String> other = new HashMap<>(values);
        if (value.isEmpty()) {
            other.remove(column);
        } else {
            other.put(column, value);
        }
        return new SampleRow(id, table, other);
    }
}
