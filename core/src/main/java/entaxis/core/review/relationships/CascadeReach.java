package entaxis.core.review.relationships;

import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.ReferentialAction;
import entaxis.core.design.Relationship;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.word.Words;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;

/** An entity whose deletion carries rows of three other tables or more along. */
public final class CascadeReach implements Rule {
    private static final RuleInfo INFO = new RuleInfo("cascade-reach", Family.RELATIONSHIPS, Level.HINT, Basis.PRACTICE, "far-reaching deletion",
            "One deletion that carries rows of three tables or more along is to be meant.",
            "common practice");
    private static final int FROM = 3;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        of.design().entities().forEach(entity -> reached(entity, of, found));
    }

    private static void reached(Entity entity, Reviewed of, Consumer<Finding> found) {
        Set<EntityId> reached = new LinkedHashSet<>();
        Deque<EntityId> open = new ArrayDeque<>(List.of(entity.id()));
        while (!open.isEmpty()) {
            EntityId at = open.poll();
            for (Relationship one : of.relationships(at)) {
                if (one.onDelete() == ReferentialAction.CASCADE && one.parentEntity().equals(Optional.of(at)) && !one.recursive()) {
                    EntityId child = one.childEntity().orElseThrow();
                    if (!child.equals(entity.id()) && reached.add(child)) {
                        open.add(child);
                    }
                }
            }
        }
        if (reached.size() >= FROM) {
            List<String> names = reached.stream().map(of::name).toList();
            found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(entity)), "Deleting one " + Words.inSentence(entity.name()) + " carries rows of "
                    + Words.counted(names.size(), "other entity") + " along.", List.of(String.join(", ", names)), List.of()));
        }
    }
}
