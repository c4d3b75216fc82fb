package entaxis.core.review.relationships;

import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Rule;
import entaxis.core.review.RuleInfo;
import entaxis.core.sentence.Sentence;
import entaxis.core.word.Words;
import java.util.List;
import java.util.function.Consumer;

/** Relationships that claim at least one on the many side, which no table definition can hold. */
public final class MinimumNotHeld implements Rule {
    private static final RuleInfo INFO = new RuleInfo("minimum-not-held", Family.RELATIONSHIPS, Level.HINT, Basis.MANUAL, "minimum that no table holds",
            "A foreign key tells that a child has a parent, never that a parent has a child; a trigger or the application must see to it.",
            "ISO/IEC 9075-2, 11.8: a referential constraint restricts the referencing table only");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        List<Relationship> claimed = of.design().relationships().stream().filter(one -> one.manyToMany()
                ? !one.first().cardinality().optional() || !one.second().cardinality().optional()
                : one.child().filter(side -> !one.end(side).cardinality().optional()).isPresent()).toList();
        if (!claimed.isEmpty()) {
            found.accept(new Finding(INFO.id(), INFO.level(), claimed.stream().map(of::about).toList(), Words.counted(claimed.size(), "relationship")
                    + (claimed.size() == 1 ? " claims" : " claim") + " at least one on the many side, which no table definition can hold: a trigger or the application must.",
                    claimed.stream().map(one -> Sentence.of(of.design(), one, reader(one)).text()).toList(), List.of()));
        }
    }

    private static Side reader(Relationship one) {
        return one.parent().orElse(one.second().cardinality().optional() ? Side.SECOND : Side.FIRST);
    }
}
