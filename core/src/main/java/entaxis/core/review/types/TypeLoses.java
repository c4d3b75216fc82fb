package entaxis.core.review.types;

import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.sql.LossReport;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;

/** An attribute whose type the engine cannot hold as it is. */
public final class TypeLoses implements EntityRule {
    private static final RuleInfo INFO = new RuleInfo("type-loses", Family.TYPES, Level.HINT, Basis.MANUAL,
            "type that the engine cannot hold",
            "What the engine’s type cannot keep is gone when the first row is stored.",
            "the types in each engine’s manual");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        for (Attribute own : entity.attributes()) {
            List<String> losses = new ArrayList<>();
            if (of.design().definition(own.type()).isEmpty()) {
                of.dialect().held(own.type(), false, losses::add);
            }
            if (!losses.isEmpty()) {
                found.accept(INFO.found(List.of(of.about(entity, own)),
                        "“" + own.name() + "” of “" + entity.name() + "” is not kept whole by "
                                + of.dialect().target().title() + ": " + String.join("; ", losses) + ".",
                        List.of(of.design().text(own.type()) + " becomes "
                        + of.dialect().type(of.dialect().held(own.type(), false, LossReport.IGNORED))), List.of()));
            }
        }
    }
}
