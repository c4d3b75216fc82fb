package entaxis.core.review.relationships;

import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import java.util.List;
import java.util.function.Consumer;

/** An entity without any relationship. */
public final class Unconnected implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("unconnected", Family.RELATIONSHIPS, Level.HINT, Basis.PRACTICE, "connected to nothing",
            "What nothing refers to and what refers to nothing is often forgotten, or its relationship is.",
            "common practice");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        if (of.design().entities().size() > 1 && of.relationships(entity.id()).isEmpty()) {
            found.accept(new Finding(INFO.id(), INFO.level(), List.of(of.about(entity)), "“" + entity.name() + "” is connected to no other entity.", List.of(), List.of()));
        }
    }
}
