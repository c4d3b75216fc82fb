package entaxis.core.review;

import entaxis.core.design.Entity;
import java.util.function.Consumer;

/**
 * A rule that looks at one entity and what it is joined to: its table, its relationships, the entities at their other
 * ends with their tables, its sample rows and what is stated of its dependencies. What it found is taken again while
 * all these stay.
 */
public interface EntityRule extends Rule {
    /** Tells the findings about one entity. */
    void judge(Entity entity, Reviewed of, Consumer<Finding> found);

    @Override
    default void judge(Reviewed of, Consumer<Finding> found) {
        of.design().entities().forEach(entity -> judge(entity, of, found));
    }
}
