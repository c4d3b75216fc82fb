package entaxis.core.schema;

import entaxis.core.expression.Expression;
import entaxis.core.schema.TableIndex.IndexColumn;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * By what the rows of a table are split among its partitions (PostgreSQL manual, CREATE TABLE, PARTITION BY).
 *
 * @param key columns and expressions, each with its collation and operator class
 */
public record Partitioning(Method method, List<IndexColumn> key) {
    /** How the values of the key tell the partition of a row. */
    public enum Method { RANGE, LIST, HASH }

    /** Copies the key. */
    public Partitioning {
        key = List.copyOf(key);
    }

    /** The same with its columns called otherwise, and its expressions exchanged. */
    public Partitioning worded(UnaryOperator<String> column, UnaryOperator<Expression> expression) {
        return new Partitioning(method, key.stream().map(part -> part.worded(column, expression)).toList());
    }
}
