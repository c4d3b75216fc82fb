package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;
import java.util.List;

/** RENAME TABLE (MySQL manual; Oracle Database SQL Language Reference, RENAME). */
public record RenameTables(List<Renaming> renamings) implements Statement {
    /** Copies the renamings. */
    public RenameTables {
        renamings = List.copyOf(renamings);
    }

    /** One table and its new name. */
    public record Renaming(PlacedName before, QualifiedName now) { }
}
