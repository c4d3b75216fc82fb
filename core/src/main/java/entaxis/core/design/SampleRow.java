package entaxis.core.design;

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
}
