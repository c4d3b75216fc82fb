package entaxis.core.review.keys;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.List;
import java.util.function.Consumer;

/** An attribute of an alternate key that may be empty. */
public final class OptionalInKey implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("optional-in-key", Family.KEYS, Level.HINT, Basis.THEORY,
            "optional attribute in a key",
            "Where a part of a key has no value the key tells nothing apart; engines differ in how many such rows they "
                    + "take.",
            "ISO/IEC 9075-2, 11.7 (unique constraint definition)");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (AlternateKey key : entity.alternateKeys()) {
            for (KeyPart part : key.parts()) {
                if (part instanceof OwnPart(AttributeId id)) {
                    entity.attribute(id).filter(own -> !own.required())
                            .ifPresent(own -> found.accept(new Finding(INFO.id(), INFO.level(),
                                    List.of(of.about(entity, own)), "“"
                                            + own.name() + "” of “" + entity.name()
                                            + "” may be empty, and is part of alternate key "
                                            + key.number() + ": rows without it are not told apart by that key.",
                                    List.of(), List.of(new SuggestedChange("Make it required",
                            new Change.AlterAttribute(entity.id(), own.id(), new AttributeAspect.Required(true)))))));
                }
            }
        }
    }
}
