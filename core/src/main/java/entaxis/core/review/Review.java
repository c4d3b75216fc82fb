package entaxis.core.review;

import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * All that the rules find in a design. After an edit only entities that it touched are judged again by rules that look at one entity; rules that look at the
 * whole design always run.
 */
public final class Review {
    private record Judged(List<Object> surroundings, List<Finding> findings) {
        /** Whether everything that was looked at is the very same as before. */
        boolean same(List<Object> now) {
            if (now.size() != surroundings.size()) {
                return false;
            }
            for (int i = 0; i < now.size(); i++) {
                if (now.get(i) != surroundings.get(i)) {
                    return false;
                }
            }
            return true;
        }
    }

    private record NamesJudged(List<Object> names, List<Finding> findings) { }

    private final Map<EntityId, Judged> byEntity;
    private final NamesJudged byNames;
    private final List<Finding> findings;

    private Review(Map<EntityId, Judged> byEntity, NamesJudged byNames, List<Finding> findings) {
        this.byEntity = byEntity;
        this.byNames = byNames;
        this.findings = List.copyOf(findings);
    }

    /** Reviews a design by all rules. */
    public static Review of(Reviewed design, Policy policy) {
        return after(new Review(Map.of(), new NamesJudged(List.of(), List.of()), List.of()), design, policy);
    }

    /** Reviews a design of which an earlier state was reviewed. The policy is to be the same. */
    public static Review after(Review before, Reviewed design, Policy policy) {
        Map<EntityId, Judged> judged = new HashMap<>();
        List<Finding> all = new ArrayList<>();
        for (Entity entity : design.design().entities()) {
            List<Object> surroundings = surroundings(design, entity);
            Judged now = Optional.ofNullable(before.byEntity.get(entity.id())).filter(old -> old.same(surroundings))
                    .orElseGet(() -> new Judged(surroundings, judge(entity, design)));
            judged.put(entity.id(), now);
            all.addAll(now.findings());
        }
        List<Object> names = design.names();
        NamesJudged byNames = before.byNames.names().equals(names) ? before.byNames : new NamesJudged(names, judgeNames(design));
        all.addAll(byNames.findings());
        Rules.ALL.stream().filter(rule -> !(rule instanceof EntityRule || rule instanceof NamesRule)).forEach(rule -> rule.judge(design, all::add));
        List<Finding> kept = all.stream().flatMap(finding -> policy.applied(finding).stream()).sorted(Comparator.comparing(Finding::level)).toList();
        return new Review(judged, byNames, kept);
    }

    private static List<Finding> judge(Entity entity, Reviewed design) {
        List<Finding> found = new ArrayList<>();
        for (Rule rule : Rules.ALL) {
            if (rule instanceof EntityRule one) {
                one.judge(entity, design, found::add);
            }
        }
        return List.copyOf(found);
    }

    private static List<Finding> judgeNames(Reviewed design) {
        List<Finding> found = new ArrayList<>();
        Rules.ALL.stream().filter(NamesRule.class::isInstance).forEach(rule -> rule.judge(design, found::add));
        return List.copyOf(found);
    }

    /** Everything that the judgement of an entity may depend on, to be compared by identity. */
    private static List<Object> surroundings(Reviewed of, Entity entity) {
        List<Object> all = new ArrayList<>(List.of(entity, of.table(entity.id()), of.design().types(), of.dialect().target()));
        of.design().dependencies().find(entity.id()).ifPresent(all::add);
        all.addAll(of.rows(entity.id()));
        for (Relationship relationship : of.relationships(entity.id())) {
            all.add(relationship);
            for (Side side : Side.values()) {
                EntityId end = relationship.end(side).entity();
                if (!end.equals(entity.id())) {
                    all.add(of.design().entities().get(end));
                    all.add(of.table(end));
                    all.addAll(of.rows(end));
                }
            }
        }
        return all;
    }

    /** The findings, gravest first. */
    public List<Finding> findings() {
        return findings;
    }

    /** How many there are of a level. */
    public long count(Level level) {
        return findings.stream().filter(finding -> finding.level() == level).count();
    }
}
