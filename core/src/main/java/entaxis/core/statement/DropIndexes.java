package entaxis.core.statement;

import entaxis.core.schema.QualifiedName;
import java.util.List;
import java.util.Optional;

/** DROP INDEX. */
public record DropIndexes(List<Dropped> indexes, boolean ifExists) implements Statement {
    /** Copies the list. */
    public DropIndexes {
        indexes = List.copyOf(indexes);
    }

    /** One index, with its table where that is named. */
    public record Dropped(PlacedName index, Optional<QualifiedName> table) { }
}
