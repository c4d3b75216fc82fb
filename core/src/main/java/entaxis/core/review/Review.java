package entaxis.core.review;

import entaxis.core.design.AcceptedFinding;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * All that the rules find in a design. After an edit only entities that it touched are judged again by rules that look
 * at one entity; rules that look at the whole design always run.
 */
public final class Review {
    /**
     * What was found and gathered about an entity.
     *
     * @param gathered     what each {@link GatheringRule} needs to know, in the order of the rules
     * @param names        the names of the entity, its table, columns and partitions
     */
    private record Judged(EntityId entity, List<Finding> findings, List<Optional<?>> gathered, List<Object> names) { }

    /**
     * What became of the entities since an earlier review.
     *
     * @param aligned  whether they are the same ones in the same order, for the same engine and with the same types
     * @param before   the entities that were judged again, as they were; empty unless they are aligned
     * @param now      the same as they are
     */
    private record Progress(boolean aligned, List<Judged> before, List<Judged> now) {
        /** Whether something about the entities is as it was: then it need not be looked at in those left alone. */
        boolean same(Function<Judged, ?> fact) {
            for (int i = 0; i < now.size(); i++) {
                if (!fact.apply(before.get(i)).equals(fact.apply(now.get(i)))) {
                    return false;
                }
            }
            return aligned;
        }
    }

    /** A finding that the designers live with, and why. */
    public record Accepted(Finding finding, String reason) { }

    private record NamesJudged(List<Object> others, List<Finding> findings) { }

    private static final List<EntityRule> ABOUT_ONE =
            Rules.ALL.stream().filter(EntityRule.class::isInstance).map(EntityRule.class::cast).toList();
    private static final List<GatheringRule<?>> GATHERING =
            Rules.ALL.stream().filter(GatheringRule.class::isInstance)
                    .<GatheringRule<?>>map(rule -> (GatheringRule<?>) rule).toList();
    private static final List<Rule> ABOUT_NAMES = Rules.ALL.stream().filter(NamesRule.class::isInstance).toList();
    private static final List<Rule> ABOUT_ALL =
            Rules.ALL.stream().filter(rule -> !(rule instanceof EntityRule || rule instanceof NamesRule
                    || rule instanceof GatheringRule<?>)).toList();

    /** So many entities are judged one by one; more are shared among the processors. */
    private static final int SMALL_SIZE = 64;

    private final Optional<Reviewed> reviewed;
    private final List<Judged> judged;
    private final NamesJudged byNames;
    private final List<List<Finding>> concluded;
    private final List<Finding> findings;
    private final List<Accepted> accepted;

    private Review(Optional<Reviewed> reviewed, List<Judged> judged, NamesJudged byNames,
            List<List<Finding>> concluded, List<Finding> findings, List<Accepted> accepted) {
        this.reviewed = reviewed;
        this.concluded = concluded;
        this.accepted = List.copyOf(accepted);
        this.judged = judged;
        this.byNames = byNames;
        this.findings = List.copyOf(findings);
    }

    /** Reviews a design by all rules. */
    public static Review of(Reviewed design, Policy policy) {
        return after(new Review(Optional.empty(), List.of(), new NamesJudged(List.of(), List.of()), List.of(),
                List.of(), List.of()), design, policy);
    }

    /** Reviews a design of which an earlier state was reviewed. The policy is to be the same. */
    public static Review after(Review before, Reviewed design, Policy policy) {
        before.reviewed.ifPresent(design::follow);
        List<Judged> judged = judged(before, design);
        Progress progress = progress(before, judged, design);
        List<Object> others = design.names();
        boolean namesStay = before.byNames.others().equals(others) && progress.same(Judged::names);
        List<Supplier<List<Finding>>> rules = new ArrayList<>();
        ABOUT_NAMES.forEach(rule -> rules.add(() -> namesStay ? List.of() : told(rule, design)));
        for (int rule = 0; rule < GATHERING.size(); rule++) {
            int at = rule;
            boolean stays = GATHERING.get(rule).fromGatheredAlone() && progress.same(one -> one.gathered().get(at));
            rules.add(() -> stays ? before.concluded.get(at) : conclude(GATHERING.get(at), at, judged, design));
        }
        ABOUT_ALL.forEach(rule -> rules.add(() -> told(rule, design)));
        List<List<Finding>> told = (judged.size() > SMALL_SIZE ? rules.parallelStream() : rules.stream())
                .map(Supplier::get).toList();
        int names = ABOUT_NAMES.size();
        NamesJudged byNames = namesStay ? new NamesJudged(others, before.byNames.findings())
                : new NamesJudged(others, told.subList(0, names).stream().flatMap(List::stream).toList());
        List<List<Finding>> all = new ArrayList<>(judged.size() + 1 + told.size());
        judged.forEach(one -> all.add(one.findings()));
        all.add(byNames.findings());
        all.addAll(told.subList(names, told.size()));
        List<Accepted> accepted = new ArrayList<>();
        List<Finding> open = weighed(all, design.design(), policy.in(design.design()), accepted::add);
        return new Review(Optional.of(design), judged, byNames, told.subList(names, names + GATHERING.size()), open,
                accepted);
    }

    private static List<Finding> told(Rule rule, Reviewed design) {
        List<Finding> found = new ArrayList<>();
        rule.judge(design, found::add);
        return List.copyOf(found);
    }

    /** The entities in their order, those that an edit left alone as they were judged before. */
    private static List<Judged> judged(Review before, Reviewed design) {
        Elements<EntityId, Entity> entities = design.design().entities();
        Map<EntityId, Judged> now = judged(before.reviewed.map(old -> Touched.between(old, design).stream()
                .flatMap(id -> entities.find(id).stream()).toList()).orElse(entities.list()), design);
        Map<EntityId, Judged> moved = HashMap.newHashMap(0);
        List<Judged> all = new ArrayList<>(entities.size());
        for (Entity entity : entities) {
            int place = all.size();
            boolean inPlace = place < before.judged.size() && before.judged.get(place).entity().equals(entity.id());
            if (!inPlace && moved.isEmpty()) {
                before.judged.forEach(one -> moved.put(one.entity(), one));
            }
            Judged old = inPlace ? before.judged.get(place) : moved.get(entity.id());
            all.add(now.getOrDefault(entity.id(), old));
        }
        return all;
    }

    private static Progress progress(Review before, List<Judged> judged, Reviewed design) {
        boolean aligned = before.judged.size() == judged.size() && before.reviewed
                .filter(old -> old.dialect().target() == design.dialect().target()
                        && old.design().types().equals(design.design().types()))
                .isPresent();
        List<Judged> old = new ArrayList<>();
        List<Judged> now = new ArrayList<>();
        for (int i = 0; aligned && i < judged.size(); i++) {
            if (judged.get(i) != before.judged.get(i)) {
                old.add(before.judged.get(i));
                now.add(judged.get(i));
                aligned = old.getLast().entity().equals(now.getLast().entity());
            }
        }
        return new Progress(aligned, old, now);
    }

    private static Map<EntityId, Judged> judged(List<Entity> entities, Reviewed design) {
        Stream<Entity> all = entities.size() > SMALL_SIZE ? entities.parallelStream() : entities.stream();
        return all.collect(Collectors.toMap(Entity::id, entity -> judge(entity, design)));
    }

    /** Findings as the policy has them, gravest first, without those that the designers live with. */
    private static List<Finding> weighed(List<List<Finding>> all, Design design, Policy policy,
            Consumer<Accepted> accepted) {
        Map<Level, List<Finding>> byLevel = new EnumMap<>(Level.class);
        for (Level level : Level.values()) {
            byLevel.put(level, new ArrayList<>());
        }
        boolean plain = policy.levels().isEmpty() && design.decisions().size() == 0;
        all.forEach(some -> some.forEach(finding -> {
            if (plain) {
                byLevel.get(finding.level()).add(finding);
            } else {
                policy.applied(finding).flatMap(one -> open(one, design, accepted))
                        .ifPresent(one -> byLevel.get(one.level()).add(one));
            }
        }));
        return byLevel.values().stream().flatMap(List::stream).toList();
    }

    private static Optional<Finding> open(Finding finding, Design design, Consumer<Accepted> accepted) {
        Optional<AcceptedFinding> decided = accepted(design, finding);
        if (decided.filter(one -> one.evidence().equals(finding.evidenceMark())).isPresent()) {
            accepted.accept(new Accepted(finding, decided.get().reason()));
            return Optional.empty();
        }
        return Optional.of(decided.map(
                one -> finding.with("This was lived with" + (one.reason().isBlank() ? "" : " (“" + one.reason() + "”)")
                + "; what it rests on has changed since.")).orElse(finding));
    }

    private static Optional<AcceptedFinding> accepted(Design design, Finding finding) {
        return design.decisions().size() == 0 ? Optional.empty()
                : design.decisions().find(finding.decision()).map(AcceptedFinding.class::cast);
    }

    @SuppressWarnings("unchecked") // what a rule is given is what it gathered
    private static <F> List<Finding> conclude(GatheringRule<F> rule, int at, List<Judged> judged, Reviewed design) {
        List<Finding> found = new ArrayList<>();
        rule.conclude(judged.stream().flatMap(one -> ((Optional<F>) one.gathered().get(at)).stream()), design,
                found::add);
        return List.copyOf(found);
    }

    private static Judged judge(Entity entity, Reviewed design) {
        List<Finding> found = new ArrayList<>();
        ABOUT_ONE.forEach(rule -> rule.judge(entity, design, found::add));
        List<Optional<?>> gathered = new ArrayList<>();
        GATHERING.forEach(rule -> gathered.add(rule.gather(entity, design)));
        return new Judged(entity.id(), List.copyOf(found), gathered, design.names(entity));
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
