package entaxis.core.review.relationships;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Entity;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.sentence.Sentence;
import entaxis.core.word.Words;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A recursive relationship whose parent is required. */
public final class MandatoryRecursion implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("mandatory-recursion", Family.RELATIONSHIPS, Level.CAUTION,
            Basis.PRACTICE, "hierarchy without a root",
            "A hierarchy has a root, which has nothing above it; if each row must have a parent, the root must be its "
                    + "own.",
            "common practice: a reference to the own table is empty at the root");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Relationship relationship : of.relationships(entity.id())) {
            Optional<Side> parent = relationship.recursive() ? relationship.parent() : Optional.empty();
            parent.filter(side -> !relationship.end(side).cardinality().optional())
                    .ifPresent(side -> found.accept(new Finding(INFO.id(), INFO.level(),
                            List.of(of.about(relationship), of.about(entity)),
                            "Each " + Words.inSentence(entity.name()) + " must have a parent, so that no "
                                    + Words.inSentence(entity.name()) + " can be the root.",
                            List.of(Sentence.of(of.design(), relationship, side.other()).text()),
                            List.of(new SuggestedChange("Let the root be without a parent",
                                    new Change.AlterRelationship(relationship.id(),
                            new RelationshipAspect.HowMany(side, Cardinality.ZERO_OR_ONE)))))));
        }
    }
}
