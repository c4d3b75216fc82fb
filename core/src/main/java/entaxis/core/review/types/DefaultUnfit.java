package entaxis.core.review.types;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Values;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** A default that does not fit its type, length or enumeration. */
public final class DefaultUnfit implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("default-unfit", Family.TYPES, Level.FAULT, Basis.MANUAL, "default that does not fit",
            "The first row that takes the default is refused, if the table is not.",
            "ISO/IEC 9075-2, 11.5: the default is to be assignable to the type");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            Optional<String> literal = own.defaultValue().flatMap(Values::literal);
            literal.flatMap(value -> Values.refused(of, entity, own, value)).ifPresent(why -> {
                Finding finding = new Finding(INFO.id(), INFO.level(), List.of(of.about(entity, own)),
                        "The default of “" + own.name() + "” of “" + entity.name() + "” does not fit: "
                                + why + ".",
                        List.of("default " + own.defaultValue().get() + " of " + of.design().text(own.type())),
                        List.of(new SuggestedChange("Leave the default away",
                                new Change.AlterAttribute(entity.id(), own.id(),
                                        new AttributeAspect.Default(Optional.empty())))));
                found.accept(Values.unfit(of, own.type(), literal.get()).isPresent()
                        ? finding.at(Values.misfit(of, own.type())) : finding);
            });
        }
    }
}
