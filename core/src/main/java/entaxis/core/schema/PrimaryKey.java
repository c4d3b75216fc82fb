package entaxis.core.schema;

import java.util.List;

/** A primary key constraint; the columns in rank order. */
public record PrimaryKey(String name, List<String> columns) {
    /** Copies the columns. */
    public PrimaryKey {
        columns = List.copyOf(columns);
    }
}
