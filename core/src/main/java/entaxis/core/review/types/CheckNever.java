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

/**
 * An attribute that no value can have, because its conditions, its type and its list of values contradict each other.
 */
public final class CheckNever implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("check-never", Family.TYPES, Level.FAULT, Basis.THEORY,
            "conditions that no value meets",
            "Every value is refused, so that a required attribute can never be filled in.",
            "ISO/IEC 9075-2, 4.24: a table check constraint is satisfied unless its condition is false");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            ColumnConditions conditions = ColumnConditions.of(of, entity, own);
            if (conditions.neverMet()) {
                Finding finding = INFO.found(List.of(of.about(entity, own)),
                        "No value of “" + own.name() + "” of “" + entity.name() + "” meets all that is asked of it"
                                + (own.required() ? "." : "; it can only stay empty."),
                        conditions.texts(), own.check().isEmpty() ? List.of()
                                : List.of(new SuggestedChange("Remove its condition",
                                        new Change.AlterAttribute(entity.id(),
                                        own.id(), new AttributeAspect.Check(Optional.empty())))));
                found.accept(own.required() ? finding : finding.at(Level.CAUTION));
            }
        }
    }
}
