package entaxis.core.migration;

import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.reconcile.Matching;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Which keys, checks, references and indexes go away, for good or for a moment: because they change, or because a
 * column that they stand on does.
 */
final class RemovedConstraints {
    private final Map<String, TableChange> changes;
    private final Schema renamed;
    private final Schema to;
    private final Dialect dialect;
    private final EngineWordingRules words;
    private final Alterations engine;
    private final Set<String> droppedKeys = new HashSet<>();

    /**
     * For the changes of tables, by name.
     *
     * @param renamed the schema before, in the new names
     */
    RemovedConstraints(Map<String, TableChange> changes, Schema renamed, Schema to, EngineWordingRules words,
            Alterations engine) {
        this.changes = changes;
        this.renamed = renamed;
        this.to = to;
        this.dialect = words.dialect();
        this.words = words;
        this.engine = engine;
    }

    /** Whether the primary key of a table goes. */
    boolean keyGoes(TableChange change) {
        return change.before.primaryKey().isPresent()
                && (change.keyChanges || change.disturbs(change.before.keyColumns())
                        || !engine.renamesConstraints() && dialect.primaryKeyName().isEmpty()
                                && !change.before.primaryKey()
                                .map(PrimaryKey::name).equals(change.after.primaryKey().map(PrimaryKey::name))
                                && engine.altersColumns());
    }

    /** Whether a unique key goes. */
    boolean uniqueGoes(TableChange change, Pair<UniqueKey> pair) {
        boolean same = words.folded(pair.from().columns()).equals(words.folded(pair.to().columns()));
        boolean named = pair.from().name().equals(pair.to().name()) || engine.renamesConstraints()
                || dialect.uniqueIndexesAreKeys();
        return !same || !named || change.disturbs(pair.from().columns());
    }

    /** Whether a check goes. */
    boolean checkGoes(TableChange change, Pair<CheckRule> pair) {
        boolean same = words.sense(pair.from().condition()).equals(words.sense(pair.to().condition()));
        return !same || !pair.from().name().equals(pair.to().name()) && !engine.renamesConstraints()
                || change.disturbs(pair.from().condition());
    }

    /** Whether an index goes. */
    boolean indexGoes(TableChange change, Pair<TableIndex> pair) {
        boolean same = words.indexSense(pair.from()).equals(words.indexSense(pair.to()));
        return !same || !pair.from().name().equals(pair.to().name()) && !engine.renamesIndexes()
                || change.disturbs(pair.from());
    }

    /** Notes which keys and unique indexes go away for a moment at least: references to them have to go first. */
    void keysDropped() {
        for (TableChange change : changes.values()) {
            Table table = change.before;
            if (change.rebuilt) {
                droppedKeys.add(words.folded(change.name()) + "*");
            }
            if (keyGoes(change)) {
                note(change, table.keyColumns());
            }
            change.uniques.gone().forEach(key -> note(change, key.columns()));
            change.uniques.pairs().stream().filter(pair -> uniqueGoes(change, pair))
                    .forEach(pair -> note(change, pair.from().columns()));
            change.indexes.gone().forEach(index -> note(change, index.columnNames()));
            change.indexes.pairs().stream().filter(pair -> indexGoes(change, pair))
                    .forEach(pair -> note(change, pair.from().columnNames()));
        }
    }

    private void note(TableChange change, List<String> columns) {
        droppedKeys.add(words.folded(change.name()) + words.folded(columns));
        if (dialect.referencesAnyIndex()) {
            for (int i = 1; i < columns.size(); i++) {
                droppedKeys.add(words.folded(change.name()) + words.folded(columns.subList(0, i)));
            }
        }
    }

    /** Whether a reference, in wanted names, has to go for a moment because of what it stands on. */
    private boolean shaken(Table table, ForeignKey key) {
        TableChange own = changes.get(words.folded(table.label()));
        String there = words.folded(key.referenced().label());
        TableChange other = changes.get(there);
        List<String> referenced = words.folded(Questions.referenced(key, renamed));
        boolean ownColumns = own != null && (own.rebuilt || own.dropped().stream().anyMatch(key.columns()::contains)
                || own.retyped.stream().anyMatch(key.columns()::contains));
        boolean otherColumns =
                other != null && (other.rebuilt || other.dropped().stream().anyMatch(key.referencedColumns()::contains)
                        || other.retyped.stream().anyMatch(Questions.referenced(key, renamed)::contains));
        boolean keyGone = droppedKeys.contains(there + "*") || droppedKeys.contains(there + referenced)
                || dialect.referencesAnyIndex()
                && droppedKeys.contains(words.folded(table.label()) + words.folded(key.columns()));
        boolean nullity = !engine.altersReferencedColumns()
                && (own != null && own.altered.stream().anyMatch(pair -> key.columns().contains(pair.to().name()))
                        || other != null && other.altered.stream()
                                .anyMatch(pair -> Questions.referenced(key, renamed).contains(pair.to().name())));
        boolean mentioned = !engine.altersReferencedColumns() && own != null && !own.renamed.isEmpty()
                && key.columns().stream().anyMatch(own.renamed::containsValue);
        boolean renamedThere =
                own != null && own.staysUnderOldName() && key.columns().stream().anyMatch(own.renamed::containsValue)
                        || other != null && other.staysUnderOldName()
                                && Questions.referenced(key, renamed).stream().anyMatch(other.renamed::containsValue);
        return ownColumns || otherColumns || keyGone || nullity || mentioned || renamedThere;
    }

    /** The foreign keys of a table before and after. */
    Matching<ForeignKey> pairs(TableChange change) {
        return Matching.of(change.before.foreignKeys(), change.after.foreignKeys(),
                key -> words.referenceSense(key, Questions.referenced(key, renamed)) + words.referenceActions(key),
                key -> words.folded(key.name()));
    }

    /** Whether a foreign key goes. */
    boolean referenceGoes(TableChange change, Pair<ForeignKey> pair) {
        String one = words.referenceSense(pair.from(), Questions.referenced(pair.from(), renamed))
                + words.referenceActions(pair.from());
        String other = words.referenceSense(pair.to(), Questions.referenced(pair.to(), to))
                + words.referenceActions(pair.to());
        boolean named = pair.from().name().equals(pair.to().name()) || engine.renamesConstraints();
        return !one.equals(other) || !named || shaken(change.before, pair.from());
    }
}
