package entaxis.core.schema;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * An index on columns of a table.
 *
 * @param unique    whether it refuses rows with the same values
 * @param method    the engine's kind of index, such as {@code gin} or {@code fulltext}; empty for the usual one
 * @param predicate which rows it covers; all, if left out
 */
public record TableIndex(String name, boolean unique, List<IndexColumn> columns, String method,
        Optional<String> predicate) {
    /** Copies the columns. */
    public TableIndex {
        columns = List.copyOf(columns);
    }

    /** An index of the usual kind over all rows. */
    public TableIndex(String name, boolean unique, List<IndexColumn> columns) {
        this(name, unique, columns, "", Optional.empty());
    }

    /**
     * What an index is ordered by.
     *
     * @param name       the column, or an expression
     * @param expression whether it is an expression
     * @param prefix     how many characters of it are indexed; all, if left out
     */
    public record IndexColumn(String name, boolean descending, boolean expression, OptionalInt prefix) {
        /** A whole column in rising or falling order. */
        public IndexColumn(String name, boolean descending) {
            this(name, descending, false, OptionalInt.empty());
        }

        /** The same place of the index for another column or expression. */
        public IndexColumn named(String newName) {
            return new IndexColumn(newName, descending, expression, prefix);
        }
    }
}
