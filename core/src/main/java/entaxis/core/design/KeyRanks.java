package entaxis.core.design;

import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import java.util.HashSet;
import java.util.Set;

/**
 * Ranks of columns in primary keys of which some parts come from relationships: such a part brings as many columns as
 * the parent's key has, so that the rank of a column is not that of its part.
 */
public final class KeyRanks {
    private final Design design;

    /** Ranks in the keys of a design. */
    public KeyRanks(Design design) {
        this.design = design;
    }

    /**
     * The rank among its parts that puts a part at a rank among the columns.
     *
     * @param moved the part, which need not be in the key yet
     * @param rank  from 1
     */
    public int partRank(Entity entity, KeyPart moved, int rank) {
        int parts = 1;
        int columns = 0;
        for (KeyPart part : entity.primaryKey()) {
            columns += part.equals(moved) ? 0 : columns(part, Set.of());
            if (columns >= rank) {
                break;
            }
            parts += part.equals(moved) ? 0 : 1;
        }
        return parts;
    }

    /** How many columns a part of a key brings; none for a key that leads back to one of those below it. */
    private int columns(KeyPart part, Set<EntityId> below) {
        return switch (part) {
            case OwnPart own -> 1;
            case InheritedPart(RelationshipId id) -> design.relationships().find(id).flatMap(Relationship::parentEntity)
                    .filter(parent -> !below.contains(parent)).map(parent -> {
                        Set<EntityId> path = new HashSet<>(below);
                        path.add(parent);
                        return design.entities().get(parent).primaryKey().stream()
                                .mapToInt(above -> columns(above, path)).sum();
                    }).orElse(0);
        };
    }
}
