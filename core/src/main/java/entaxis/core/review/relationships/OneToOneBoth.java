package entaxis.core.review.relationships;

import entaxis.core.design.Cardinality;
import entaxis.core.design.Entity;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.sentence.Sentence;
import java.util.List;
import java.util.function.Consumer;

/** A relationship with exactly one on both ends. */
public final class OneToOneBoth implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("one-to-one-both", Family.RELATIONSHIPS, Level.CAUTION,
            Basis.PRACTICE, "exactly one on both ends",
            "Two things that always come in pairs are often one thing with all the attributes.",
            "common practice");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        of.begun(entity.id()).stream()
                .filter(one -> !one.recursive() && one.first().cardinality().equals(Cardinality.EXACTLY_ONE)
                        && one.second().cardinality()
                                .equals(Cardinality.EXACTLY_ONE)
                        && of.design().categoryOf(one.id()).isEmpty())
                .forEach(one -> found.accept(new Finding(
                        INFO.id(), INFO.level(),
                        List.of(of.about(one), of.about(of.design().entities().get(one.first().entity())),
                                of.about(of.design().entities().get(one.second().entity()))),
                        "“" + of.name(one.first().entity()) + "” and “" + of.name(one.second().entity())
                                + "” always come in pairs: are they one entity?",
                        List.of(Sentence.of(of.design(), one, Side.FIRST).text(),
                                Sentence.of(of.design(), one, Side.SECOND).text()),
                        List.of())));
    }
}
