package entaxis.core.design;

import java.util.List;

/**
 * Relationships of one child that exclude each other: each of its rows refers by one of them at most.
 *
 * @param name         name of the check that holds it; empty for the one that is proposed
 * @param alternatives at least two relationships of which the entity is the child
 * @param mandatory    whether each row refers by exactly one of them
 */
public record Exclusion(ExclusionId id, String name, EntityId child, List<RelationshipId> alternatives,
        boolean mandatory)
        implements Elements.Element<ExclusionId> {
    /** Copies the alternatives. */
    public Exclusion {
        alternatives = List.copyOf(alternatives);
    }
}
