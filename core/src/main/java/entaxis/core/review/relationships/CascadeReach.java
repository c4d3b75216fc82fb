package entaxis.core.review.relationships;

import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.word.Words;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** An entity whose deletion carries rows of three other tables or more along. */
public final class CascadeReach implements GatheringRule<CascadeReach.Carrying> {
    private static final RuleInfo INFO =
            new RuleInfo("cascade-reach", Family.RELATIONSHIPS, Level.HINT, Basis.PRACTICE, "far-reaching deletion",
            "One deletion that carries rows of three tables or more along is to be meant.",
            "common practice");
    private static final int FROM = 3;

    /** The entities whose rows go with those of an entity. */
    record Carrying(EntityId entity, About about, String name, List<EntityId> children) { }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<Carrying> gather(Entity entity, Reviewed of) {
        List<EntityId> children = of.relationships(entity.id()).stream()
                .filter(one -> one.onDelete() == ReferentialAction.CASCADE
                        && one.parentEntity().equals(Optional.of(entity.id())) && !one.recursive())
                .map(one -> one.childEntity().orElseThrow()).distinct().toList();
        return Optional.of(new Carrying(entity.id(), of.about(entity), entity.name(), children));
    }

    @Override
    public void conclude(Stream<Carrying> gathered, Reviewed of, Consumer<Finding> found) {
        Map<EntityId, Carrying> all = new LinkedHashMap<>();
        gathered.forEach(one -> all.put(one.entity(), one));
        all.values().stream().filter(one -> !one.children().isEmpty()).forEach(one -> reached(one, all, found));
    }

    private static void reached(Carrying from, Map<EntityId, Carrying> all, Consumer<Finding> found) {
        Set<EntityId> reached = new LinkedHashSet<>();
        Deque<EntityId> open = new ArrayDeque<>(List.of(from.entity()));
        while (!open.isEmpty()) {
            for (EntityId child : all.get(open.poll()).children()) {
                if (!child.equals(from.entity()) && reached.add(child)) {
                    open.add(child);
                }
            }
        }
        if (reached.size() >= FROM) {
            List<String> names = reached.stream().map(id -> all.get(id).name()).toList();
            found.accept(new Finding(INFO.id(), INFO.level(), List.of(from.about()),
                    "Deleting one " + Words.inSentence(from.name()) + " carries rows of "
                            + Words.counted(names.size(), "other entity") + " along.",
                    List.of(String.join(", ", names)), List.of()));
        }
    }
}
