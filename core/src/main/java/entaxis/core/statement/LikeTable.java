package entaxis.core.statement;

import java.util.Set;

/**
 * The columns of another table among the elements of one (PostgreSQL manual, CREATE TABLE, LIKE).
 *
 * @param including what else is taken over, in capital letters
 */
public record LikeTable(PlacedName model, Set<String> including) implements TableElement {
    /** What can be taken over beside the columns. */
    public static final Set<String> ALL =
            Set.of("COMMENTS", "CONSTRAINTS", "DEFAULTS", "GENERATED", "IDENTITY", "INDEXES");

    /** Copies the words. */
    public LikeTable {
        including = Set.copyOf(including);
    }
}
