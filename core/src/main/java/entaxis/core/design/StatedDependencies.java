package entaxis.core.design;

import java.util.List;

/**
 * What a designer states of the dependencies in an entity's table, beside those that its keys are. Columns are named by
 * where they come from, so that renaming and migrating change nothing; a statement about a column that is no longer
 * there says nothing.
 *
 * @param accepted faults that the designer lives with
 * @param rejected dependencies that rows suggest and the designer does not believe
 */
public record StatedDependencies(EntityId entity, List<Stated> stated, List<Accepted> accepted, List<Stated> rejected)
        implements Elements.Element<EntityId> {
    /** Copies the lists. */
    public StatedDependencies {
        stated = List.copyOf(stated);
        accepted = List.copyOf(accepted);
        rejected = List.copyOf(rejected);
    }

    /** Nothing stated yet. */
    public static StatedDependencies none(EntityId entity) {
        return new StatedDependencies(entity, List.of(), List.of(), List.of());
    }

    /**
     * One dependency.
     *
     * @param many whether it is many-valued
     */
    public record Stated(boolean many, List<ColumnPath> determinant, List<ColumnPath> dependent) {
        /** Copies the lists. */
        public Stated {
            determinant = List.copyOf(determinant);
            dependent = List.copyOf(dependent);
        }
    }

    /** A fault that stays, with the reason for it. */
    public record Accepted(Stated fault, String reason) { }

    @Override
    public EntityId id() {
        return entity;
    }

    /** The same with other statements. */
    public StatedDependencies stated(List<Stated> other) {
        return new StatedDependencies(entity, other, accepted, rejected);
    }

    /** The same with other accepted faults. */
    public StatedDependencies accepted(List<Accepted> other) {
        return new StatedDependencies(entity, stated, other, rejected);
    }

    /** The same with other rejected suggestions. */
    public StatedDependencies rejected(List<Stated> other) {
        return new StatedDependencies(entity, stated, accepted, other);
    }

    /** Whether nothing is said. */
    public boolean empty() {
        return stated.isEmpty() && accepted.isEmpty() && rejected.isEmpty();
    }
}
