package entaxis.core.review.forms;

import entaxis.core.change.Change;
import entaxis.core.design.Entity;
import entaxis.core.normalize.AcrossEntities;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** The same fact outside the keys in two related entities, or one that describes the other entity. */
public final class FactTwice implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("fact-twice", Family.FORMS, Level.HINT, Basis.PRACTICE,
            "fact stored twice",
            "A fact that stands in two places is changed in one of them.",
            "common practice: the everyday form of a transitive dependency");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        AcrossEntities.of(of.design(), entity, of.relationships(entity.id()), of::facts).stream()
                .filter(one -> one.kind() == AcrossEntities.Kind.DESCRIBES_ANOTHER || first(of, entity, one))
                .forEach(one -> entity.attribute(one.attribute().orElseThrow())
                        .ifPresent(own -> found.accept(INFO.found(
                                List.of(of.about(entity, own), of.about(of.design().entities().get(one.other()))),
                                one.question(), List.of(),
                                List.of(new SuggestedChange("Remove " + own.name() + " from " + entity.name(),
                                        new Change.RemoveAttribute(entity.id(), own.id())))))));
    }

    /** A fact in two entities is told of the one that refers to the other, or else of the later one. */
    private static boolean first(Reviewed of, Entity entity, AcrossEntities one) {
        boolean refers = of.references(entity.id()).stream()
                .anyMatch(reference -> reference.parentEntity().equals(Optional.of(one.other())));
        boolean referred = of.references(one.other()).stream()
                .anyMatch(reference -> reference.parentEntity().equals(Optional.of(entity.id())));
        return refers != referred ? refers
                : of.design().entities().indexOf(entity.id()) > of.design().entities().indexOf(one.other());
    }
}
