package entaxis.core.review;

import entaxis.core.design.AcceptedFinding;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * All that the rules find in a design. After an edit only entities that it touched are judged again by rules that look at one entity; rules that look at the
 * whole design always run.
 */
public final class Review {
    /**
     * What was found and gathered about an entity.
     *
     * @param surroundings everything that was looked at, to be compared by identity
     * @param gathered     what each {@link GatheringRule} needs to know, in the order of the rules
     * @param names        the names of the entity, its table and its columns
     */
    private record Judged(List<Object> surroundings, List<Finding> findings, List<Optional<?>> gathered, List<Object> names) { }

    /** A finding that the designers live with, and why. */
    public record Accepted(Finding finding, String reason) { }

    private record NamesJudged(List<Object> names, List<Finding> findings) { }

    private record Concluded(List<Object> gathered, List<Finding> findings) { }

    private static final List<EntityRule> ABOUT_ONE = Rules.ALL.stream().filter(EntityRule.class::isInstance).map(EntityRule.class::cast).toList();
    private static final List<GatheringRule<?>> GATHERING =
            Rules.ALL.stream().filter(GatheringRule.class::isInstance).<GatheringRule<?>>map(rule -> (GatheringRule<?>) rule).toList();
    private static final List<Rule> ABOUT_NAMES = Rules.ALL.stream().filter(NamesRule.class::isInstance).toList();
    private static final List<Rule> ABOUT_ALL =
            Rules.ALL.stream().filter(rule -> !(rule instanceof EntityRule || rule instanceof NamesRule || rule instanceof GatheringRule<?>)).toList();

    private final Map<EntityId, Judged> byEntity;
    private final NamesJudged byNames;
    private final List<Concluded> concluded;
    private final List<Finding> findings;
    private final List<Accepted> accepted;

    private Review(Map<EntityId, Judged> byEntity, NamesJudged byNames, List<Concluded> concluded, List<Finding> findings, List<Accepted> accepted) {
        this.concluded = concluded;
        this.accepted = List.copyOf(accepted);
        this.byEntity = byEntity;
        this.byNames = byNames;
        this.findings = List.copyOf(findings);
    }

    /** Reviews a design by all rules. */
    public static Review of(Reviewed design, Policy policy) {
        return after(new Review(Map.of(), new NamesJudged(List.of(), List.of()), List.of(), List.of(), List.of()), design, policy);
    }

    /** Reviews a design of which an earlier state was reviewed. The policy is to be the same. */
    public static Review after(Review before, Reviewed design, Policy policy) {
        Map<EntityId, Judged> judged = HashMap.newHashMap(design.design().entities().size());
        List<Judged> inOrder = new ArrayList<>(design.design().entities().size());
        List<Finding> all = new ArrayList<>();
        for (Entity entity : design.design().entities()) {
            Judged old = before.byEntity.get(entity.id());
            Judged now = old != null && same(old.surroundings(), design, entity) ? old : judge(entity, design);
            judged.put(entity.id(), now);
            inOrder.add(now);
            all.addAll(now.findings());
        }
        NamesJudged byNames = byNames(before.byNames, inOrder, design);
        all.addAll(byNames.findings());
        List<Concluded> concluded = new ArrayList<>();
        for (int rule = 0; rule < GATHERING.size(); rule++) {
            Optional<Concluded> old = before.concluded.isEmpty() ? Optional.empty() : Optional.of(before.concluded.get(rule));
            concluded.add(conclude(GATHERING.get(rule), rule, inOrder, design, old));
            all.addAll(concluded.getLast().findings());
        }
        ABOUT_ALL.forEach(rule -> rule.judge(design, all::add));
        Policy own = policy.in(design.design());
        List<Finding> open = new ArrayList<>();
        List<Accepted> accepted = new ArrayList<>();
        all.stream().flatMap(finding -> own.applied(finding).stream()).sorted(Comparator.comparing(Finding::level)).forEach(finding -> {
            Optional<AcceptedFinding> decided = accepted(design.design(), finding);
            if (decided.filter(one -> one.evidence().equals(finding.evidenceMark())).isPresent()) {
                accepted.add(new Accepted(finding, decided.get().reason()));
            } else {
                open.add(decided.map(one -> finding.with("This was lived with" + (one.reason().isBlank() ? "" : " (“" + one.reason() + "”)")
                        + "; what it rests on has changed since.")).orElse(finding));
            }
        });
        return new Review(judged, byNames, concluded, open, accepted);
    }

    private static Optional<AcceptedFinding> accepted(Design design, Finding finding) {
        return design.decisions().size() == 0 ? Optional.empty() : design.decisions().find(finding.decision()).map(AcceptedFinding.class::cast);
    }

    @SuppressWarnings("unchecked") // what a rule is given is what it gathered
    private static <F> Concluded conclude(GatheringRule<F> rule, int at, List<Judged> judged, Reviewed design, Optional<Concluded> before) {
        List<Object> gathered = new ArrayList<>(judged.size() + 2);
        judged.forEach(one -> gathered.add(one.gathered().get(at)));
        gathered.add(design.dialect().target());
        gathered.add(design.design().types());
        if (before.filter(old -> rule.fromGatheredAlone() && old.gathered().equals(gathered)).isPresent()) {
            return new Concluded(gathered, before.get().findings());
        }
        List<Finding> found = new ArrayList<>();
        rule.conclude(judged.stream().flatMap(one -> ((Optional<F>) one.gathered().get(at)).stream()), design, found::add);
        return new Concluded(gathered, List.copyOf(found));
    }

    private static Judged judge(Entity entity, Reviewed design) {
        List<Finding> found = new ArrayList<>();
        ABOUT_ONE.forEach(rule -> rule.judge(entity, design, found::add));
        List<Optional<?>> gathered = new ArrayList<>();
        GATHERING.forEach(rule -> gathered.add(rule.gather(entity, design)));
        List<Object> surroundings = new ArrayList<>();
        surroundings(design, entity, surroundings::add);
        return new Judged(surroundings, List.copyOf(found), gathered, design.names(entity));
    }

    private static NamesJudged byNames(NamesJudged before, List<Judged> judged, Reviewed design) {
        List<Object> names = design.names();
        judged.forEach(one -> names.add(one.names()));
        if (before.names().equals(names)) {
            return new NamesJudged(names, before.findings());
        }
        List<Finding> found = new ArrayList<>();
        ABOUT_NAMES.forEach(rule -> rule.judge(design, found::add));
        return new NamesJudged(names, List.copyOf(found));
    }

    /** Whether everything that the judgement of an entity depends on is the very same as it was. */
    private static boolean same(List<Object> before, Reviewed of, Entity entity) {
        Iterator<Object> old = before.iterator();
        boolean[] same = {true};
        surroundings(of, entity, now -> same[0] = same[0] && old.hasNext() && old.next() == now);
        return same[0] && !old.hasNext();
    }

    /** Everything that the judgement of an entity may depend on. */
    private static void surroundings(Reviewed of, Entity entity, Consumer<Object> each) {
        each.accept(entity);
        each.accept(of.table(entity.id()));
        each.accept(of.design().types());
        each.accept(of.dialect().target());
        of.design().dependencies().find(entity.id()).ifPresent(each);
        of.rows(entity.id()).forEach(each);
        for (Relationship relationship : of.relationships(entity.id())) {
            each.accept(relationship);
            for (Side side : Side.values()) {
                EntityId end = relationship.end(side).entity();
                if (!end.equals(entity.id())) {
                    each.accept(of.design().entities().get(end));
                    each.accept(of.table(end));
                    of.rows(end).forEach(each);
                }
            }
        }
    }

    /** The findings, gravest first. */
    public List<Finding> findings() {
        return findings;
    }

    /** The findings that the designers live with. */
    public List<Accepted> accepted() {
        return accepted;
    }

    /** How many there are of a level. */
    public long count(Level level) {
        return findings.stream().filter(finding -> finding.level() == level).count();
    }
}
