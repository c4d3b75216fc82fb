package entaxis.core.review.types;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.ColumnConditions;
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

/** A condition that every value of its attribute meets. */
public final class CheckAlways implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("check-always", Family.TYPES, Level.HINT, Basis.THEORY,
            "condition that checks nothing",
            "A condition that nothing can break says to its reader that something is checked, and nothing is.",
            "ISO/IEC 9075-2, 4.24");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            if (own.check().isPresent() && ColumnConditions.alwaysMet(of, entity, own, own.check().get())) {
                found.accept(INFO.found(List.of(of.about(entity, own)),
                        "Every value that “" + own.name() + "” of “" + entity.name()
                                + "” can have meets its condition: it checks nothing.",
                        List.of(own.check().get() + ", of " + of.design().text(own.type())),
                        List.of(new SuggestedChange("Remove the condition", new Change.AlterAttribute(entity.id(),
                                own.id(),
                                new AttributeAspect.Check(Optional.empty()))))));
            }
        }
    }
}
