package entaxis.core.migration;

import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.Matching;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.TableFeatures.Numbered;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The steps that put keys, checks, indexes and references on: new ones, and those that were taken off for a change. */
final class AddedConstraints {
    private final Map<String, TableChange> changes;
    private final Schema to;
    private final EngineWordingRules words;
    private final Dialect dialect;
    private final Alterations engine;
    private final Questions questions;
    private final RemovedConstraints removed;
    private final RulesInForce inForce;
    private final List<Step> steps = new ArrayList<>();

    AddedConstraints(Map<String, TableChange> changes, Schema to, EngineWordingRules words, Alterations engine,
            Questions questions, RemovedConstraints removed, RulesInForce inForce) {
        this.changes = changes;
        this.to = to;
        this.words = words;
        this.dialect = words.dialect();
        this.engine = engine;
        this.questions = questions;
        this.removed = removed;
        this.inForce = inForce;
    }

    List<Step> steps() {
        changes.values().forEach(this::putOn);
        references();
        return steps;
    }

    /** A step that may fail, unless the rows are known to obey. */
    private static Step rule(Stage stage, String table, boolean obeyed, String what, String statement,
            Optional<String> query) {
        return Step.of(stage, table, obeyed ? Risk.SLOW : Risk.MAY_FAIL, what, List.of(statement),
                obeyed ? Optional.empty() : query, "", true);
    }

    /** Puts constraints and indexes on that are new, or were taken off for a change. */
    private void putOn(TableChange change) {
        Table table = change.after;
        if (!engine.altersColumns()) {
            List<TableIndex> again = new ArrayList<>(change.indexes.fresh());
            change.indexes.pairs().stream()
                    .filter(pair -> change.rebuilt || !words.indexSense(pair.from()).equals(words.indexSense(pair.to()))
                            || !pair.from().name().equals(pair.to().name()))
                    .forEach(pair -> again.add(pair.to()));
            again.forEach(index -> addIndex(table, index));
            return;
        }
        if (table.primaryKey().isPresent()
                && (change.before.primaryKey().isEmpty() || removed.keyGoes(change) || change.rebuilt)) {
            PrimaryKey key = table.primaryKey().get();
            steps.add(rule(engine.oneStatement() ? Stage.COLUMNS : Stage.CONSTRAINTS, change.name(),
                    inForce.unique(change, key.columns()) && inForce.required(change, key.columns()),
                    "Make " + String.join(", ", key.columns()) + " the primary key of " + change.name(),
                    engine.add(table, engine.writer.primaryKey(key)), questions.duplicates(change, key.columns())));
        }
        List<UniqueKey> uniques = new ArrayList<>(change.uniques.fresh());
        change.uniques.pairs().stream().filter(pair -> change.rebuilt || removed.uniqueGoes(change, pair))
                .forEach(pair -> uniques.add(pair.to()));
        uniques.forEach(key -> steps.add(rule(engine.oneStatement() ? Stage.COLUMNS : Stage.CONSTRAINTS, change.name(),
                inForce.unique(change, key.columns()),
                "Require " + String.join(", ", key.columns()) + " of " + change.name() + " to be unique",
                engine.add(table, engine.writer.unique(key)), questions.duplicates(change, key.columns()))));
        List<CheckRule> checks = new ArrayList<>(change.checks.fresh());
        change.checks.pairs().stream().filter(pair -> change.rebuilt || removed.checkGoes(change, pair))
                .forEach(pair -> checks.add(pair.to()));
        checks.forEach(check -> steps.add(rule(Stage.CONSTRAINTS, change.name(), inForce.check(change, check),
                "Check every row of " + change.name() + (check.name().isEmpty() ? "" : ": " + check.name()),
                engine.add(table, engine.writer.check(check)), questions.violations(change, check))));
        List<TableIndex> indexes = new ArrayList<>(change.indexes.fresh());
        change.indexes.pairs().stream().filter(pair -> change.rebuilt || removed.indexGoes(change, pair))
                .forEach(pair -> indexes.add(pair.to()));
        indexes.stream().filter(index -> engine.writer.numbering(table).filter(index::equals).isEmpty())
                .forEach(index -> addIndex(table, index));
        if (dialect.numbered() == Numbered.ONE_INDEXED_COLUMN) {
            indexes.stream().filter(index -> engine.writer.numbering(table).filter(index::equals).isPresent())
                    .forEach(index -> steps.add(Step.safe(Stage.COLUMNS, table.label(),
                            "Add the index " + index.name(),
                            List.of(engine.add(table, engine.writer.indexInside(index))))));
        }
    }

    private void addIndex(Table table, TableIndex index) {
        TableChange change = changes.get(words.folded(table.label()));
        boolean plain = index.predicate().isEmpty()
                && index.columns().stream().noneMatch(TableIndex.IndexColumn::expression);
        boolean obeyed = !index.unique() || plain && inForce.unique(change, index.columnNames());
        Optional<String> query = !obeyed && plain ? questions.duplicates(change, index.columnNames())
                : Optional.empty();
        steps.add(Step.of(Stage.INDEXES, table.label(), obeyed ? Risk.SLOW : Risk.MAY_FAIL,
                "Create the index " + index.name() + " on " + table.label(),
                List.of(engine.writer.createIndex(table, index)), query, engine.indexAdvice(), true));
    }

    private void references() {
        if (!dialect.addsForeignKeys()) {
            return;
        }
        for (Table table : to.tables()) {
            TableChange change = changes.get(words.folded(table.label()));
            List<ForeignKey> keys = new ArrayList<>();
            if (change == null) {
                keys.addAll(table.foreignKeys());
            } else {
                Matching<ForeignKey> pairs = removed.pairs(change);
                keys.addAll(pairs.fresh());
                pairs.pairs().stream().filter(pair -> removed.referenceGoes(change, pair)).forEach(pair ->
                        keys.add(pair.to()));
            }
            for (ForeignKey key : keys) {
                String what = "Make " + table.label() + " refer to " + key.referenced().label();
                String statement = engine.addForeignKey(table, key);
                steps.add(change == null ? Step.safe(Stage.REFERENCES, table.label(), what, List.of(statement))
                        : rule(Stage.REFERENCES, change.name(), inForce.reference(change, key), what, statement,
                                questions.orphans(change, key)));
            }
        }
    }
}
