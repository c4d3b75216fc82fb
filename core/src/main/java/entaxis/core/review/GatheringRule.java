package entaxis.core.review;

import entaxis.core.design.Entity;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/**
 * A rule about the whole design that needs to know little of each entity: that is gathered once and kept while the
 * entity and its surroundings stay, as for an {@link EntityRule}; the conclusion is drawn each time.
 *
 * @param <F> what it needs to know of an entity
 */
public interface GatheringRule<F> extends Rule {
    /** What the rule needs to know of an entity; nothing if the entity does not matter to it. */
    Optional<F> gather(Entity entity, Reviewed of);

    /** Tells the findings, from what was gathered, in the order of the entities. */
    void conclude(Stream<F> gathered, Reviewed of, Consumer<Finding> found);

    /**
     * Whether the conclusion follows from what was gathered, the types of the design and the engine alone, so that it
     * stays while these do.
     */
    default boolean fromGatheredAlone() {
        return true;
    }

    @Override
    default void judge(Reviewed of, Consumer<Finding> found) {
        conclude(of.design().entities().stream().flatMap(entity -> gather(entity, of).stream()), of, found);
    }
}
