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
import java.util.Locale;
import java.util.function.Consumer;

/** A table or column that is called by a reserved word of the engine. */
public final class ReservedWord implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("reserved-word", Family.NAMES, Level.HINT, Basis.MANUAL, "reserved word",
            "A reserved word must be quoted wherever it is used, and not every program does that.",
            "the list of reserved words in each engine’s manual");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        Table table = of.table(entity.id());
        if (of.dialect().reserved().contains(table.name().toLowerCase(Locale.ROOT))) {
            found.accept(finding(of, of.about(entity), table.name()));
        }
        for (Attribute own : entity.attributes()) {
            String name = of.column(entity.id(), own).name();
            if (of.dialect().reserved().contains(name.toLowerCase(Locale.ROOT))) {
                found.accept(finding(of, of.about(entity, own), name));
            }
        }
    }

    private static Finding finding(Reviewed of, About about, String name) {
        return new Finding(INFO.id(), INFO.level(), List.of(about),
                "“" + name + "” is a reserved word of " + of.dialect().target().title()
                + ": it must be quoted wherever it is used.", List.of(of.dialect().name(name)), List.of());
    }
}
