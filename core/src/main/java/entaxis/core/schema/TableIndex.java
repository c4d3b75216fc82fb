package entaxis.core.schema;

import entaxis.core.expression.Expression;
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
        Optional<Expression> predicate, List<String> included) implements TablePart {
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
            Optional<Expression> predicate) {
        this(name, unique, columns, method, predicate, List.of());
    }

    /** An index of the usual kind over all rows. */
    public TableIndex(String name, boolean unique, List<IndexColumn> columns) {
        this(name, unique, columns, "", Optional.empty());
    }

    /** Whether it orders the same in the same way as another, their names aside. */
    public boolean isAlike(TableIndex other) {
        return named("").equals(other.named(""));
    }

    /** The same under another name. */
    public TableIndex named(String newName) {
        return new TableIndex(newName, unique, columns, method, predicate, included);
    }

    /** The same over other columns. */
    public TableIndex over(List<IndexColumn> newColumns) {
        return new TableIndex(name, unique, newColumns, method, predicate, included);
    }

    /** The same with its columns called otherwise, and its expressions and condition exchanged. */
    public TableIndex worded(UnaryOperator<String> column, UnaryOperator<Expression> expression) {
        return new TableIndex(name, unique, columns.stream().map(part -> part.worded(column, expression)).toList(),
                method, predicate.map(expression), included.stream().map(column).toList());
    }

    /**
     * What an index is ordered by.
     *
     * @param column     the column; empty for an expression
     * @param computed   the expression; nothing for a column
     * @param prefix     how many characters of it are indexed; all, if left out
     * @param ordering   how it is ordered, its direction aside
     * @param operator   what may not hold between two rows, in the engine's words; empty but for exclusion constraints
     */
    public record IndexColumn(String column, Optional<Expression> computed, boolean descending, OptionalInt prefix,
            IndexOrdering ordering, String operator) {
        /** A whole column in rising or falling order. */
        public IndexColumn(String column, boolean descending) {
            this(column, Optional.empty(), descending, OptionalInt.empty(), IndexOrdering.DEFAULT, "");
        }

        /** An expression in rising order. */
        public static IndexColumn of(Expression expression) {
            return new IndexColumn("", Optional.of(expression), false, OptionalInt.empty(), IndexOrdering.DEFAULT, "");
        }

        /** Whether it is an expression rather than a column. */
        public boolean expression() {
            return computed.isPresent();
        }

        /** The column, or the words of the expression. */
        public String name() {
            return computed.map(Expression::text).orElse(column);
        }

        /** The same place of the index with its column called otherwise, or its expression exchanged. */
        public IndexColumn worded(UnaryOperator<String> newColumn, UnaryOperator<Expression> newExpression) {
            return new IndexColumn(computed.isPresent() ? "" : newColumn.apply(column), computed.map(newExpression),
                    descending, prefix, ordering, operator);
        }

        /** The same, ordered in another way. */
        public IndexColumn ordered(IndexOrdering newOrdering) {
            return new IndexColumn(column, computed, descending, prefix, newOrdering, operator);
        }

        /** The same, refusing two rows that an operator holds between. */
        public IndexColumn excluding(String newOperator) {
            return new IndexColumn(column, computed, descending, prefix, ordering, newOperator);
        }

        /** The same, in falling order or not. */
        public IndexColumn falling(boolean falls) {
            return new IndexColumn(column, computed, falls, prefix, ordering, operator);
        }

        /** The same, over the beginning of the values only, or all of them. */
        public IndexColumn beginning(OptionalInt newPrefix) {
            return new IndexColumn(column, computed, descending, newPrefix, ordering, operator);
        }
    }
}
