package entaxis.core.review.relationships;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** A ring of entities each of which requires the next, so that no first row can be put in. */
public final class MandatoryCycle implements GatheringRule<MandatoryCycle.Needs> {
    private static final RuleInfo INFO = new RuleInfo("mandatory-cycle", Family.RELATIONSHIPS, Level.FAULT,
            Basis.MANUAL, "no first row",
            "Where each table needs a row of the next one first, none can ever get one: constraints are checked at the "
                    + "end of each statement.",
            "ISO/IEC 9075-2, 4.19.2 and 11.8: an immediate referential constraint is checked with the statement");

    /** What an entity needs, with what the relationships are called in findings. */
    record Needs(Entity entity, List<Relationship> relationships, List<About> about) { }

    @Override
    public RuleInfo info() {
        return INFO;
    }

    /** The relationships in which each row of an entity needs a row of another. */
    @Override
    public Optional<Needs> gather(Entity entity, Reviewed of) {
        List<Relationship> needs = of.references(entity.id()).stream()
                .filter(one -> !one.recursive() && !one.end(one.parent().orElseThrow()).cardinality().optional())
                .toList();
        return needs.isEmpty() ? Optional.empty()
                : Optional.of(new Needs(entity, needs, needs.stream().map(of::about).toList()));
    }

    @Override
    public void conclude(Stream<Needs> gathered, Reviewed of, Consumer<Finding> found) {
        Map<EntityId, List<Relationship>> needs = new LinkedHashMap<>();
        gathered.forEach(one -> needs.put(one.entity().id(), new ArrayList<>(one.relationships())));
        peel(needs);
        Set<EntityId> settled = new HashSet<>();
        for (EntityId start : needs.keySet()) {
            List<Relationship> ring = settled.contains(start) ? List.of() : ring(start, needs);
            if (!ring.isEmpty()) {
                ring.forEach(one -> settled.add(one.childEntity().orElseThrow()));
                found.accept(finding(of, ring));
            }
        }
    }

    /**
     * Leaves only entities that lead to a ring: one whose needs are all met without one is taken away, again and again
     * (A. B. Kahn, 1962).
     */
    private static void peel(Map<EntityId, List<Relationship>> needs) {
        Map<EntityId, List<EntityId>> neededBy = new HashMap<>();
        Map<EntityId, Integer> open = new HashMap<>();
        Deque<EntityId> met = new ArrayDeque<>();
        needs.forEach((child, references) -> {
            open.put(child, references.size());
            references.forEach(one -> {
                EntityId parent = one.parentEntity().orElseThrow();
                neededBy.computeIfAbsent(parent, any -> new ArrayList<>()).add(child);
                if (!needs.containsKey(parent) && open.putIfAbsent(parent, 0) == null) {
                    met.add(parent);
                }
            });
        });
        while (!met.isEmpty()) {
            EntityId next = met.poll();
            needs.remove(next);
            neededBy.getOrDefault(next, List.of()).stream().filter(child -> open.merge(child, -1, Integer::sum) == 0)
                    .forEach(met::add);
        }
    }

    /**
     * The shortest way from an entity over what it needs back to itself; empty if there is none. Breadth first, linear
     * in the relationships.
     */
    private static List<Relationship> ring(EntityId start, Map<EntityId, List<Relationship>> needs) {
        Map<EntityId, Relationship> cameBy = new HashMap<>();
        Deque<EntityId> open = new ArrayDeque<>(List.of(start));
        while (!open.isEmpty()) {
            EntityId at = open.poll();
            for (Relationship next : needs.getOrDefault(at, List.of())) {
                EntityId parent = next.parentEntity().orElseThrow();
                if (cameBy.putIfAbsent(parent, next) != null) {
                    continue;
                }
                if (parent.equals(start)) {
                    return way(start, cameBy);
                }
                open.add(parent);
            }
        }
        return List.of();
    }

    private static List<Relationship> way(EntityId start, Map<EntityId, Relationship> cameBy) {
        List<Relationship> ring = new ArrayList<>();
        EntityId at = start;
        do {
            Relationship by = cameBy.get(at);
            ring.addFirst(by);
            at = by.childEntity().orElseThrow();
        } while (!at.equals(start));
        return ring;
    }

    private static Finding finding(Reviewed of, List<Relationship> ring) {
        List<String> steps = ring.stream().map(one -> "“" + of.name(one.childEntity().orElseThrow()) + "” needs “"
                + of.name(one.parentEntity().orElseThrow()) + "”").toList();
        List<About> about = new ArrayList<>(ring.stream().map(of::about).toList());
        ring.forEach(one -> about.add(of.about(of.design().entities().get(one.childEntity().orElseThrow()))));
        List<SuggestedChange> remedies = ring.stream().filter(one -> !of.design().identifying(one)).map(one ->
                new SuggestedChange(
                "Let “" + of.name(one.childEntity().orElseThrow())
                        + "” be without “" + of.name(one.parentEntity().orElseThrow()) + "”",
                new Change.AlterRelationship(one.id(),
                new RelationshipAspect.HowMany(one.parent().orElseThrow(), Cardinality.ZERO_OR_ONE)))).toList();
        return new Finding(INFO.id(), INFO.level(), about,
                "No first row can ever be put in: " + String.join(", ", steps) + ".", steps, remedies);
    }
}
