package entaxis.core.review.relationships;

import entaxis.core.design.Entity;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.GatheringRule;
import entaxis.core.review.Level;
import entaxis.core.review.EvidenceLine;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.sentence.Sentence;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;

/** Relationships that claim at least one on the many side, which no table definition can hold. */
public final class MinimumNotHeld implements GatheringRule<List<EvidenceLine>> {
    private static final RuleInfo INFO = new RuleInfo("minimum-not-held", Family.RELATIONSHIPS, Level.HINT,
            Basis.MANUAL, "minimum that no table holds",
            "A foreign key tells that a child has a parent, never that a parent has a child; a trigger or the "
                    + "application must see to it.",
            "ISO/IEC 9075-2, 11.8: a referential constraint restricts the referencing table only");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public Optional<List<EvidenceLine>> gather(Entity entity, Reviewed of) {
        List<EvidenceLine> claimed = of.begun(entity.id()).stream().filter(MinimumNotHeld::claims)
                .map(one -> new EvidenceLine(of.about(one), Sentence.of(of.design(), one, reader(one)).text()))
                .toList();
        return claimed.isEmpty() ? Optional.empty() : Optional.of(claimed);
    }

    private static boolean claims(Relationship one) {
        return one.manyToMany() ? !one.first().cardinality().optional() || !one.second().cardinality().optional()
                : one.child().filter(side -> !one.end(side).cardinality().optional()).isPresent();
    }

    @Override
    public void conclude(Stream<List<EvidenceLine>> gathered, Reviewed of, Consumer<Finding> found) {
        List<EvidenceLine> all = gathered.flatMap(List::stream).toList();
        if (!all.isEmpty()) {
            found.accept(INFO.found(all.stream().map(EvidenceLine::about).toList(),
                    Words.counted(all.size(), "relationship") + (all.size() == 1 ? " claims" : " claim")
                    + " at least one on the many side, which no table definition can hold: a trigger or the "
                    + "application must.",
                    all.stream().map(EvidenceLine::text).toList(), List.of()));
        }
    }

    private static Side reader(Relationship one) {
        return one.parent().orElse(one.second().cardinality().optional() ? Side.SECOND : Side.FIRST);
    }
}
