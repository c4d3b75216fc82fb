package entaxis.core.migration;

import entaxis.core.reconcile.Conversion;
import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Which rules the rows obey already, because the table had the same rule before or a stricter one: such a rule is put
 * on again without asking whether a row breaks it.
 */
final class RulesInForce {
    private final Map<String, TableChange> changes;
    private final Schema renamed;
    private final Schema to;
    private final EngineWordingRules words;
    private final List<Moves> moves;

    /**
     * For the changes of tables, by name.
     *
     * @param renamed the schema before, in the new names
     * @param moves   the values that move into new tables
     */
    RulesInForce(Map<String, TableChange> changes, Schema renamed, Schema to, EngineWordingRules words,
            List<Moves> moves) {
        this.changes = changes;
        this.renamed = renamed;
        this.to = to;
        this.words = words;
        this.moves = moves;
    }

    /** Whether a column has the values that it had; a type with more room changes none. */
    private boolean keeps(TableChange change, String name) {
        Optional<Column> before = change.before.column(name);
        Optional<Column> after = change.after.column(name);
        boolean there = before.isPresent() && after.isPresent() && !change.dropped().contains(name);
        // values that differ in one collation may be equal in another
        if (!there || !before.get().details().collation().equals(after.get().details().collation())) {
            return false;
        }
        Conversion conversion = Conversion.of(before.get().type(), renamed.types(), after.get().type(),
                to.types(), words.dialect());
        return conversion == Conversion.NONE || conversion == Conversion.WIDENS;
    }

    /** Whether no two rows agree in these columns: so it is where they do not even in some of them. */
    boolean unique(TableChange change, List<String> columns) {
        Table before = change.before;
        List<List<String>> keys = new ArrayList<>(List.of(before.keyColumns()));
        before.uniqueKeys().stream().map(UniqueKey::columns).forEach(keys::add);
        before.indexes().stream().filter(RulesInForce::coversAllRows).map(TableIndex::columnNames).forEach(keys::add);
        return keys.stream().anyMatch(key -> !key.isEmpty()
                && words.folded(columns).containsAll(words.folded(key))
                && key.stream().allMatch(column -> keeps(change, column)));
    }

    private static boolean coversAllRows(TableIndex index) {
        return index.unique() && index.predicate().isEmpty()
                && index.columns().stream().noneMatch(part -> part.expression() || part.prefix().isPresent());
    }

    /** Whether each row has a value in these columns. */
    boolean required(TableChange change, List<String> columns) {
        return columns.stream().allMatch(name -> keeps(change, name)
                && (change.before.keyColumns().contains(name)
                        || change.before.column(name).map(Column::required).orElse(false)));
    }

    /** Whether the rows meet a condition. */
    boolean check(TableChange change, CheckRule check) {
        Set<String> other = new HashSet<>();
        change.before.columns().stream().map(Column::name).filter(name -> !keeps(change, name))
                .forEach(name -> other.add(name.toLowerCase(Locale.ROOT)));
        return change.before.checks().stream()
                .anyMatch(own -> words.sense(own.condition()).equals(words.sense(check.condition())))
                && !TableChange.speaksOf(check.condition(), other, words.dialect());
    }

    /** Whether each row of a table refers to a row that is there. */
    boolean reference(TableChange change, ForeignKey key) {
        String there = words.folded(key.referenced().label());
        TableChange other = changes.get(there);
        return other == null ? moves.stream().anyMatch(move -> fills(move, change, key, there))
                : key.columns().stream().allMatch(column -> keeps(change, column))
                        && Questions.referenced(key, to).stream().allMatch(column -> keeps(other, column))
                        && change.before.foreignKeys().stream()
                                .anyMatch(own -> words.referenceSense(own, Questions.referenced(own, renamed))
                                        .equals(words.referenceSense(key, Questions.referenced(key, to))));
    }

    /** Whether the table that is referred to is filled with just the values that refer to it. */
    private boolean fills(Moves move, TableChange change, ForeignKey key, String there) {
        List<String> referenced = Questions.referenced(key, to);
        boolean same = move.change() == change && words.folded(move.into().label()).equals(there)
                && referenced.size() == key.columns().size()
                && Set.copyOf(referenced).equals(Set.copyOf(move.split().once()));
        for (int i = 0; same && i < referenced.size(); i++) {
            same = key.columns().get(i).equals(move.split().columns().get(referenced.get(i)));
        }
        return same;
    }
}
