package entaxis.core.reading;

import java.util.List;

/**
 * A row that a script puts into a table; the values as SQL, in the order of the columns named.
 */
public record ReadRow(String namespace, String table, List<String> columns, List<String> values) {
    /** Copies the lists. */
    public ReadRow {
        columns = List.copyOf(columns);
        values = List.copyOf(values);
    }
}
