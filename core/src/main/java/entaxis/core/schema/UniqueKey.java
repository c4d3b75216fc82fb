package entaxis.core.schema;

import java.util.List;

/** A unique constraint; the columns in order. */
public record UniqueKey(String name, List<String> columns) implements TablePart {
    /** Copies the columns. */
    public UniqueKey {
        columns = List.copyOf(columns);
    }
}
