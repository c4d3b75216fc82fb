package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;
import java.util.List;

/** DROP TABLE. */
public record DropTables(List<QualifiedName> names, boolean temporary, boolean cascade) implements Statement {
    /** Copies the names. */
    public DropTables {
        names = List.copyOf(names);
    }
}
