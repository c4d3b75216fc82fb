package entaxis.core.impact;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Design;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.migration.TwoWays;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Reconciliation;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import java.util.List;
import java.util.Optional;

/**
 * A change that could be made, and what a database would need for it.
 *
 * @param words      what would be done
 * @param refusal    why it cannot be done; empty if it can
 * @param statements for the design's engine, in order
 */
public record ImpactPreview(String words, String refusal, Risk risk, List<String> statements) {
    /** What becomes of a change of a design. */
    public static ImpactPreview of(Design design, Derivation derivation, String words, Change change) {
        Dialect dialect = Dialect.of(design.facts().target());
        return of(design, derivation, EngineSchema.ofDesign(derivation.schema(), dialect), dialect, words, change);
    }

    static ImpactPreview of(Design design, Derivation derivation, Schema held, Dialect dialect, String words,
            Change change) {
        return switch (Editor.apply(design, change)) {
            case Outcome.Refused refused ->
                    new ImpactPreview(words, refused.problems().getFirst().message(), Risk.SAFE, List.of());
            case Outcome.Applied applied -> {
                Derivation after = Derivation.after(derivation, applied.design());
                Schema wanted = EngineSchema.ofDesign(after.schema(), dialect);
                RenameMap renamed = renamed(derivation, after, dialect);
                Migration migration = TwoWays.of(Reconciliation.of(held, wanted, dialect, renamed),
                        difference -> true, Fills.NONE).forth();
                yield new ImpactPreview(words, "", migration.risk(), migration.statements());
            }
        };
    }

    /** Tables and columns that come from the same are the same, whatever the engine calls them afterwards. */
    private static RenameMap renamed(Derivation earlier, Derivation after, Dialect dialect) {
        RenameMap renamed = RenameMap.NONE;
        for (DerivedTable now : after.tables().values()) {
            Optional<DerivedTable> old = earlier.derived(now.element());
            if (old.isEmpty() || old.get() == now) {
                continue;
            }
            String label = dialect.stored(now.table().qualifiedName()).label();
            String before = dialect.stored(old.get().table().qualifiedName()).label();
            if (!before.equals(label)) {
                renamed = renamed.withTable(before, label);
            }
            for (DerivedColumn column : now.columns()) {
                String name = dialect.stored(column.name());
                Optional<String> was = old.get().column(column.path()).map(own -> dialect.stored(own.name()))
                        .filter(own -> !own.equals(name));
                if (was.isPresent()) {
                    renamed = renamed.withColumn(label, was.get(), name);
                }
            }
        }
        return renamed;
    }

    /** The statements as one script. */
    public String script() {
        return String.join(";\n", statements) + (statements.isEmpty() ? "" : ";");
    }
}
