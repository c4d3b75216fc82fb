package entaxis.core.review.names;

import entaxis.core.design.Attribute;
import entaxis.core.design.Entity;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.Table;
import java.util.List;
import java.util.function.Consumer;

/** A table or column whose name is longer than the engine’s names may be. */
public final class NameTooLong implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("name-too-long", Family.NAMES, Level.HINT, Basis.MANUAL, "name too long",
            "A name that the engine cuts is called otherwise in the database than in the design.",
            "the limits on identifiers in each engine’s manual");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        Table table = of.table(entity.id());
        if (!of.dialect().stored(table.name()).equals(table.name())) {
            found.accept(finding(of, of.about(entity), table.name()));
        }
        for (Attribute own : entity.attributes()) {
            String name = of.column(entity.id(), own).name();
            if (!of.dialect().stored(name).equals(name)) {
                found.accept(finding(of, of.about(entity, own), name));
            }
        }
    }

    private static Finding finding(Reviewed of, About about, String name) {
        return new Finding(INFO.id(), INFO.level(), List.of(about),
                "“" + name + "” is longer than names of " + of.dialect().target().title() + " may be, and is cut.",
                List.of(of.dialect().stored(name)), List.of());
    }
}
