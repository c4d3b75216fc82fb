package entaxis.core.reconcile;

import entaxis.core.schema.CheckRule;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TablePart;
import entaxis.core.schema.UniqueKey;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BinaryOperator;
import java.util.function.Function;

/**
 * How constraints and indexes of one kind are told apart: what they are, what they are called, and how two are brought
 * together.
 *
 * @param of      those of a table
 * @param sense   what one is, its name aside
 * @param name    its name; may be empty
 * @param wording how it reads
 * @param called  the first under the name of the second
 * @param risk    what putting one on does to rows
 */
record ConstraintKind<T extends TablePart>(SchemaPart part, EngineWordingRules words, Function<Table, List<T>> of,
        Function<T, String> sense, Function<T, String> name, Function<T, String> wording, BinaryOperator<T> called,
        Risk risk) {

    /** What tells one within its table: its name, or how it reads; a table has one primary key. */
    String label(T item) {
        return part == SchemaPart.PRIMARY_KEY ? part.word() : name.apply(item).isEmpty() ? wording.apply(item)
                : name.apply(item);
    }

    /** By what they are and are called; references whose names say nothing then by the columns that they join. */
    Matching<T> pairs(List<T> from, List<T> to) {
        Matching<T> first = Matching.of(from, to, sense, item -> part == SchemaPart.PRIMARY_KEY ? part.word()
                : words.madeUp(name.apply(item)) ? "" : words.folded(name.apply(item)));
        return part != SchemaPart.FOREIGN_KEY ? first : first.with(Matching.of(first.gone(), first.fresh(),
                item -> item instanceof ForeignKey key ? words.referenceSense(key, List.of()) : "", item -> ""));
    }

    /** Whether two names differ that somebody gave. */
    boolean renamed(T from, T to) {
        String one = name.apply(from);
        String other = name.apply(to);
        return !words.folded(one).equals(words.folded(other)) && !words.madeUp(one) && !words.madeUp(other);
    }

    /** What putting one on does to the rows. */
    Risk risk(T item) {
        return item instanceof TableIndex index && index.unique() ? Risk.MAY_FAIL : risk;
    }

    /** What exchanging one for another does to the rows, which may be known to obey the second as well. */
    Risk risk(T from, T to) {
        boolean obeyed = from instanceof PrimaryKey one && to instanceof PrimaryKey other
                && words.folded(other.columns()).containsAll(words.folded(one.columns()))
                || from instanceof UniqueKey key && to instanceof UniqueKey longer
                        && words.folded(longer.columns()).containsAll(words.folded(key.columns()))
                || from instanceof ForeignKey reference && to instanceof ForeignKey acting
                        && words.referenceSense(reference, List.of()).equals(words.referenceSense(acting, List.of()));
        return obeyed ? Risk.SLOW : risk(to);
    }

    static ConstraintKind<PrimaryKey> primaryKey(EngineWordingRules words) {
        return new ConstraintKind<>(SchemaPart.PRIMARY_KEY, words, table -> table.primaryKey().stream().toList(),
                key -> words.folded(key.columns()).toString() + words.prefixes(key), PrimaryKey::name,
                words::primaryKey, (key, other) -> key.named(other.name()), Risk.MAY_FAIL);
    }

    static ConstraintKind<UniqueKey> unique(EngineWordingRules words) {
        return new ConstraintKind<>(SchemaPart.UNIQUE, words, Table::uniqueKeys,
                key -> words.folded(key.columns()).toString(), UniqueKey::name,
                key -> words.columns("unique", key.columns()),
                (key, other) -> new UniqueKey(other.name(), key.columns()), Risk.MAY_FAIL);
    }

    static ConstraintKind<CheckRule> check(EngineWordingRules words) {
        return new ConstraintKind<>(SchemaPart.CHECK, words, Table::checks, check -> words.sense(check.condition()),
                CheckRule::name, words::check,
                (check, other) -> check.named(other.name()), Risk.MAY_FAIL);
    }

    static ConstraintKind<TableIndex> index(EngineWordingRules words) {
        return new ConstraintKind<>(SchemaPart.INDEX, words, Table::indexes, words::indexSense, TableIndex::name,
                words::index,
                (index, other) -> index.named(other.name()),
                Risk.SLOW);
    }

    /**
     * References of two tables; those that name no columns refer to the primary key of the table as it is on their
     * side.
     */
    static ConstraintKind<ForeignKey> reference(EngineWordingRules words, Table from, Map<String, Table> known,
            Table to, Map<String, Table> wanted) {
        Map<ForeignKey, String> senses = new HashMap<>();
        from.foreignKeys().forEach(key -> senses.put(key,
                words.referenceSense(key, keyOf(words, key, known)) + words.referenceActions(key)));
        to.foreignKeys().forEach(key -> senses.put(key,
                words.referenceSense(key, keyOf(words, key, wanted)) + words.referenceActions(key)));
        return new ConstraintKind<>(SchemaPart.FOREIGN_KEY, words, Table::foreignKeys, senses::get, ForeignKey::name,
                words::reference, (key, other) -> key.named(other.name()), Risk.MAY_FAIL);
    }

    private static List<String> keyOf(EngineWordingRules words, ForeignKey key, Map<String, Table> tables) {
        Table referenced = tables.get(words.folded(key.referenced().label()));
        return referenced == null ? List.of() : referenced.keyColumns();
    }
}
