package entaxis.core.schema;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;

/**
 * An index on columns of a table. Where its parts have operators, it is that of an exclusion constraint, which refuses
 * two rows that all of these hold between (PostgreSQL manual, CREATE TABLE, EXCLUDE).
 *
 * @param unique    whether it refuses rows with the same values
 * @param method    the engine's kind of index, such as {@code gin} or {@code fulltext}; empty for the usual one
 * @param predicate which rows it covers; all, if left out
 * @param included  columns that it holds without being ordered by them
 */
public record TableIndex(String name, boolean unique, List<IndexColumn> columns, String method,
        Optional<String> predicate, List<String> included) implements TablePart {
    /** Copies the columns. */
    public TableIndex {
        columns = List.copyOf(columns);
        included = List.copyOf(included);
    }

    /** Whether it is that of an exclusion constraint. */
    public boolean excludes() {
        return columns.stream().anyMatch(part -> !part.operator().isEmpty());
    }

    /** What it is ordered by: names of columns, and expressions. */
    public List<String> columnNames() {
        return columns.stream().map(IndexColumn::name).toList();
    }

    /** An index that holds only what it is ordered by. */
    public TableIndex(String name, boolean unique, List<IndexColumn> columns, String method,
            Optional<String> predicate) {
        this(name, unique, columns, method, predicate, List.of());
    }

    /** An index of the usual kind over all rows. */
    public TableIndex(String name, boolean unique, List<IndexColumn> columns) {
        this(name, unique, columns, "", Optional.empty());
    }

    /** The same under another name. */
    public TableIndex named(String newName) {
        return new TableIndex(newName, unique, columns, method, predicate, included);
    }

    /** The same over other columns. */
    public TableIndex over(List<IndexColumn> newColumns) {
        return new TableIndex(name, unique, newColumns, method, predicate, included);
    }

    /** The same with its columns called otherwise, and its expressions and condition worded otherwise. */
    public TableIndex worded(UnaryOperator<String> column, UnaryOperator<String> expression) {
        return new TableIndex(name, unique, columns.stream()
                .map(part -> part.named((part.expression() ? expression : column).apply(part.name()))).toList(), method,
                predicate.map(expression), included.stream().map(column).toList());
    }

    /**
     * What an index is ordered by.
     *
     * @param name       the column, or an expression
     * @param expression whether it is an expression
     * @param prefix     how many characters of it are indexed; all, if left out
     * @param ordering   how it is ordered where that is not usual, in the engine's words: its collation, its operator
     *                   class, the place of what is null
     * @param operator   what may not hold between two rows, in the engine's words; empty but for exclusion constraints
     */
    public record IndexColumn(String name, boolean descending, boolean expression, OptionalInt prefix,
            String ordering, String operator) {
        /** A part in the usual order. */
        public IndexColumn(String name, boolean descending, boolean expression, OptionalInt prefix) {
            this(name, descending, expression, prefix, "", "");
        }

        /** A whole column in rising or falling order. */
        public IndexColumn(String name, boolean descending) {
            this(name, descending, false, OptionalInt.empty());
        }

        /** The same place of the index for another column or expression. */
        public IndexColumn named(String newName) {
            return new IndexColumn(newName, descending, expression, prefix, ordering, operator);
        }

        /** The same, ordered in a way that is not usual. */
        public IndexColumn ordered(String newOrdering) {
            return new IndexColumn(name, descending, expression, prefix, newOrdering, operator);
        }

        /** The same, refusing two rows that an operator holds between. */
        public IndexColumn excluding(String newOperator) {
            return new IndexColumn(name, descending, expression, prefix, ordering, newOperator);
        }

        /** The same, in falling order or not. */
        public IndexColumn falling(boolean falls) {
            return new IndexColumn(name, falls, expression, prefix, ordering, operator);
        }

        /** The same, over the beginning of the values only, or all of them. */
        public IndexColumn beginning(OptionalInt newPrefix) {
            return new IndexColumn(name, descending, expression, newPrefix, ordering, operator);
        }
    }
}
