package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;
import java.util.List;

/**
 * INSERT ... VALUES and COPY ... FROM STDIN.
 *
 * @param columns the columns that are named; empty where all are meant
 * @param rows    the first rows, each value as SQL
 */
public record InsertRows(QualifiedName table, List<String> columns, List<List<String>> rows) implements Statement {
    /** So many rows of a table are read of a script, and kept as samples. */
    public static final int MAX_ROWS = 20;

    /** Copies the lists. */
    public InsertRows {
        columns = List.copyOf(columns);
        rows = rows.stream().map(List::copyOf).toList();
    }
}
