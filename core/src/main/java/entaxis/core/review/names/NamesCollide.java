package entaxis.core.review.names;

import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.NamesRule;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;

/** Tables or columns whose names are the same to the engine. */
public final class NamesCollide implements NamesRule {
    private static final RuleInfo INFO = new RuleInfo("names-collide", Family.NAMES, Level.FAULT, Basis.MANUAL,
            "names that are one to the engine",
            "After folding of case and cutting to length the engine sees one name where the design has two, and "
                    + "refuses the second.",
            "the rules on identifiers in each engine’s manual");

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Reviewed of, Consumer<Finding> found) {
        Map<String, About> tables = new HashMap<>();
        for (Table table : of.derivation().stated().schema().tables()) {
            About about = of.about(table);
            String name = table.namespace() + "." + of.dialect().compared(table.name());
            Optional.ofNullable(tables.putIfAbsent(name, about))
                    .ifPresent(other -> found.accept(finding(of, about, other, "tables")));
            Map<String, Column> columns = new HashMap<>();
            List<Column> own = table.knownHierarchy().isPartition() ? List.of() : table.columns();
            for (Column column : own) {
                Optional.ofNullable(columns.putIfAbsent(of.dialect().compared(column.name()), column))
                        .ifPresent(other -> found.accept(finding(of, about(about, table, column),
                                about(about, table, other), "columns")));
            }
        }
    }

    private static About about(About owner, Table table, Column column) {
        return new About(About.Kind.ATTRIBUTE, owner.id(), table.name() + "." + column.name());
    }

    private static Finding finding(Reviewed of, About about, About other, String what) {
        return INFO.found(List.of(about, other),
                "The " + what + " “" + other.name() + "” and “" + about.name() + "” have one name in "
                        + of.dialect().target().title() + ".",
                List.of(), List.of());
    }
}
