package entaxis.core.impact;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome;
import entaxis.core.derive.Derivation;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.migration.TwoWays;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Reconciliation;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Column;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
                Schema wanted = EngineSchema.ofDesign(Derivation.after(derivation, applied.design()).schema(), dialect);
                Migration migration = TwoWays.of(Reconciliation.of(held, wanted, dialect, pairing(held, wanted)),
                        difference -> true, Fills.NONE).forth();
                yield new ImpactPreview(words, "", migration.risk(), migration.statements());
            }
        };
    }

    /** Tables and columns of one origin are the same, whatever they are called afterwards. */
    private static RenameMap pairing(Schema held, Schema wanted) {
        Map<OwnerId, Table> before = new HashMap<>();
        held.tables().forEach(own -> own.origin().ifPresent(origin -> before.put(origin, own)));
        RenameMap pairing = RenameMap.NONE;
        for (Table now : wanted.tables()) {
            Optional<Table> old = now.origin().map(before::get);
            if (old.isEmpty() || old.get().equals(now)) {
                continue;
            }
            if (!old.get().label().equals(now.label())) {
                pairing = pairing.withTable(old.get().label(), now.label());
            }
            Map<ColumnPath, Column> columns = new HashMap<>();
            old.get().columns().forEach(column -> column.origin().ifPresent(origin -> columns.put(origin, column)));
            for (Column column : now.columns()) {
                Optional<Column> same =
                        column.origin().map(columns::get).filter(was -> !was.name().equals(column.name()));
                if (same.isPresent()) {
                    pairing = pairing.withColumn(now.label(), same.get().name(), column.name());
                }
            }
        }
        return pairing;
    }

    /** The statements as one script. */
    public String script() {
        return String.join(";\n", statements) + (statements.isEmpty() ? "" : ";");
    }
}
