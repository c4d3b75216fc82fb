package entaxis.core.schema;

import java.util.List;

/**
 * An index on columns of a table.
 *
 * @param unique whether it refuses rows with the same values
 */
public record TableIndex(String name, boolean unique, List<IndexColumn> columns) {
    /** Copies the columns. */
    public TableIndex {
        columns = List.copyOf(columns);
    }

    /** A column in rising or falling order. */
    public record IndexColumn(String name, boolean descending) { }
}
