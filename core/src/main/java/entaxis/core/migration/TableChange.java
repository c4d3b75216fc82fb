package entaxis.core.migration;

import entaxis.core.expression.Expression;
import entaxis.core.reconcile.Conversion;
import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.Matching.Pair;
import entaxis.core.reconcile.Matching;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * What becomes of one table: which columns come, go, change in their place or are replaced, and which keys and indexes
 * have to be taken off and put on again.
 */
final class TableChange {
    /** The table as it is, in its own names. */
    final Table original;
    /** The table as it is, in the wanted names. */
    final Table before;
    final Table after;
    final List<Column> gone = new ArrayList<>();
    final List<Column> fresh = new ArrayList<>();
    /** Columns that change where they are. */
    final List<Pair<Column>> altered = new ArrayList<>();
    /** Columns that are dropped and added again under their name. */
    final List<Pair<Column>> replaced = new ArrayList<>();
    /** Columns whose type changes in place. */
    final Set<String> retyped = new HashSet<>();
    /** Wanted names of renamed columns, by old name. */
    final Map<String, String> renamed;
    /** Whether the table is made again; {@link RebuildGroup} adds tables that are made again with others. */
    boolean rebuilt;
    /** Whether other tables inherit from it, which keep a column that it loses unless they lose it too. */
    boolean keptByHeirs;
    /** Where its rows are while it and those that refer to it are made again. */
    private Optional<Table> aside = Optional.empty();
    final boolean reordered;
    final Matching<UniqueKey> uniques;
    final Matching<CheckRule> checks;
    final Matching<TableIndex> indexes;
    final boolean keyChanges;
    private final EngineWordingRules words;
    private final Alterations engine;
    private final Set<String> unsettled = new HashSet<>();

    TableChange(Table original, Table before, Table after, Map<String, String> renamed, EngineWordingRules words,
            Set<UserType> replacedTypes, Set<UserType> changedStructures,
            BiFunction<Column, Column, Conversion> conversions) {
        this.original = original;
        this.before = before;
        this.after = after;
        this.renamed = renamed;
        this.words = words;
        this.engine = Alterations.of(words.dialect().target());
        columns(replacedTypes, changedStructures, conversions);
        this.uniques = Matching.of(words.uniques(before), words.uniques(after),
                key -> words.folded(key.columns()).toString(), key -> words.folded(key.name()));
        this.checks = Matching.of(before.checks(), after.checks(), check -> words.sense(check.condition()),
                check -> words.folded(check.name()));
        this.indexes =
                Matching.of(before.indexes(), after.indexes(), words::indexSense, index -> words.folded(index.name()));
        this.keyChanges = !words.folded(before.keyColumns()).equals(words.folded(after.keyColumns()))
                || !before.primaryKey().map(words::prefixes).equals(after.primaryKey().map(words::prefixes));
        this.reordered = words.dialect().ordersColumns() && !order(before, after).equals(order(after, before));
        this.rebuilt = !engine.altersColumns() && changesBeyondAdditions()
                || !engine.altersNumbering() && numberingChanges()
                || !engine.convertsInPlace() && altered.stream().anyMatch(this::becomesUnlike);
    }

    private boolean becomesUnlike(Pair<Column> pair) {
        return !words.type(pair.from().type()).equals(words.type(pair.to().type()))
                && !Conversion.alike(pair.from().type(), pair.to().type());
    }

    String name() {
        return after.label();
    }

    /** Has the table made again, its rows being in another one meanwhile. */
    void setAside(Table rows) {
        rebuilt = true;
        aside = Optional.of(rows);
    }

    /** Where its rows are while it is made again; empty where they stay in it until they are copied. */
    Optional<Table> aside() {
        return aside;
    }

    /** Whether the table or one of its columns gets another name. */
    boolean renames() {
        return !renamed.isEmpty() || !original.label().equals(after.label());
    }

    private static Set<String> names(List<Pair<Column>> pairs, Function<Pair<Column>, Column> side) {
        Set<String> names = new HashSet<>();
        pairs.forEach(pair -> names.add(side.apply(pair).name()));
        return names;
    }

    private List<String> order(Table table, Table other) {
        Set<String> there = new HashSet<>(words.folded(other.columns().stream().map(Column::name).toList()));
        return words.folded(table.columns().stream().map(Column::name).toList()).stream().filter(there::contains)
                .toList();
    }

    private void columns(Set<UserType> replacedTypes, Set<UserType> changedStructures,
            BiFunction<Column, Column, Conversion> conversions) {
        Matching<Column> pairs =
                Matching.of(before.columns(), after.columns(), column -> words.folded(column.name()), column -> "");
        gone.addAll(pairs.gone());
        fresh.addAll(pairs.fresh());
        List<Pair<Column>> settled = new ArrayList<>();
        for (Pair<Column> pair : pairs.pairs()) {
            Column from = pair.from();
            Column to = pair.to();
            boolean typed = !words.type(from.type()).equalsIgnoreCase(words.type(to.type()));
            boolean computed = to.generated().isPresent() && !words.computedSense(from).equals(words.computedSense(to))
                    || from.generated().isPresent() && to.generated().isEmpty();
            boolean structure = to.type() instanceof UserType type && changedStructures.contains(type);
            boolean impossible =
                    typed && conversions.apply(from, to) == Conversion.IMPOSSIBLE
                    || typed && to.generated().isPresent();
            if (computed || structure || impossible) {
                replaced.add(pair);
                continue;
            }
            boolean recreated = to.type() instanceof UserType type && replacedTypes.contains(type);
            if (typed || recreated) {
                retyped.add(to.name());
            }
            settled.add(pair);
        }
        unsettled.addAll(retyped);
        gone.forEach(column -> unsettled.add(column.name()));
        replaced.forEach(pair -> unsettled.add(pair.to().name()));
        Set<String> moving = new HashSet<>();
        unsettled.forEach(name -> moving.add(name.toLowerCase(java.util.Locale.ROOT)));
        boolean follows = engine.altersColumns();
        if (!engine.computedFollowRenames()) {
            renamed.values().forEach(name -> moving.add(name.toLowerCase(java.util.Locale.ROOT)));
        }
        for (Pair<Column> pair : settled) {
            boolean depends = follows && pair.to().generated().isPresent()
                    && speaksOf(pair.to().generated().get(), moving, words.dialect());
            if (depends) {
                replaced.add(pair);
                unsettled.add(pair.to().name());
                retyped.remove(pair.to().name());
            } else if (retyped.contains(pair.to().name()) || differs(pair) || checkedUnderOldName(pair.to())) {
                altered.add(pair);
            }
        }
    }

    /** Whether a column has a check of the engine's own that does not follow its new name. */
    private boolean checkedUnderOldName(Column column) {
        return !engine.documentChecksFollowRenames() && column.type() instanceof SqlType.JsonType
                && renamed.containsValue(column.name());
    }

    private boolean differs(Pair<Column> pair) {
        return pair.from().required() != pair.to().required()
                || !words.defaultSense(pair.from()).equals(words.defaultSense(pair.to()))
                || !words.identity(pair.from()).equals(words.identity(pair.to()))
                || !pair.from().details().onUpdate().map(words::sense)
                        .equals(pair.to().details().onUpdate().map(words::sense))
                || pair.from().details().collation().isPresent() && pair.to().details().collation().isPresent()
                        && !pair.from().details().collation().equals(pair.to().details().collation());
    }

    private boolean numberingChanges() {
        return java.util.stream.Stream.concat(altered.stream(), replaced.stream()).anyMatch(pair -> (pair.from()
                .identity() == Identity.NONE) != (pair.to().identity() == Identity.NONE)
                || !engine.altersNumbers() && !words.identity(pair.from()).equals(words.identity(pair.to())));
    }

    /** Whether anything changes that is neither a new name nor a plain column more. */
    private boolean changesBeyondAdditions() {
        boolean plainAdditions = fresh
                .stream().allMatch(column -> column.generated().isEmpty() && column.identity() == Identity.NONE
                        && (engine.addsRequiredColumns() || !column.required())
                        && (column.defaultValue().isEmpty() ? !column.required()
                                : column.defaultValue().get().isConstant()))
                && after.columns().subList(Math.max(0, after.columns().size() - fresh.size()), after.columns().size())
                        .equals(fresh);
        return !gone.isEmpty() || !altered.isEmpty() || !replaced.isEmpty() || reordered || !plainAdditions
                || keyChanges || !uniques.gone().isEmpty() || !uniques.fresh().isEmpty()
                || !checks.gone().isEmpty() || !checks.fresh().isEmpty()
                || uniques.pairs().stream().anyMatch(pair -> !pair.from().equals(pair.to()))
                || checks.pairs().stream()
                        .anyMatch(pair -> !pair.from().name().equals(pair.to().name())
                                || !words.sense(pair.from().condition()).equals(words.sense(pair.to().condition())))
                || !before.primaryKey().map(PrimaryKey::name).equals(after.primaryKey().map(PrimaryKey::name))
                || !referencesAlike();
    }

    private boolean referencesAlike() {
        return references(before).equals(references(after));
    }

    private Set<String> references(Table table) {
        Set<String> senses = new HashSet<>();
        table.foreignKeys().forEach(key -> senses
                .add(words.folded(key.name()) + words.referenceSense(key, List.of()) + words.referenceActions(key)));
        return senses;
    }

    /** Whether an expression names one of the columns; those are in small letters. */
    static boolean speaksOf(Expression expression, Set<String> columns, Dialect dialect) {
        Set<String> names = IsoNormalizer.names(expression, dialect);
        return columns.stream().anyMatch(names::contains);
    }

    private Set<String> small(Set<String> names) {
        Set<String> small = new HashSet<>();
        names.forEach(name -> small.add(name.toLowerCase(java.util.Locale.ROOT)));
        return small;
    }

    /** Columns that are dropped, for good or to be made again. */
    Set<String> dropped() {
        Set<String> names = names(replaced, Pair::to);
        gone.forEach(column -> names.add(column.name()));
        return names;
    }

    /**
     * Whether keys and indexes on some columns are taken off before the change: because a column goes, or because the
     * engine changes no type under them.
     */
    boolean disturbs(List<String> columns) {
        boolean strict = !engine.retypesUnderKeys();
        Set<String> dropped = small(dropped());
        Set<String> types = new HashSet<>(strict ? small(retyped) : Set.of());
        if (staysUnderOldName()) {
            types.addAll(small(new HashSet<>(renamed.values())));
        }
        return rebuilt
                || columns.stream().anyMatch(column -> dropped.contains(column.toLowerCase(java.util.Locale.ROOT))
                        || types.contains(column.toLowerCase(java.util.Locale.ROOT)));
    }

    /** Whether a key goes on showing a renamed column by its old name, unless it is put on again. */
    boolean staysUnderOldName() {
        return !engine.keysFollowRenames();
    }

    /**
     * Whether an expression has to be taken off before the change, because it speaks of columns that go, get another
     * type or another name.
     */
    boolean disturbs(Expression expression) {
        Set<String> touched = small(unsettled);
        touched.addAll(small(retyped));
        if (!engine.conditionsFollowRenames()) {
            touched.addAll(small(new HashSet<>(renamed.values())));
        }
        return rebuilt || speaksOf(expression, touched, words.dialect()) || lost(expression);
    }

    /** Whether a check is forgotten when the table is copied, because it speaks of no column. */
    private boolean lost(Expression expression) {
        return !engine.keepsConstantChecks() && touchesColumns() && !speaksOf(expression,
                small(new HashSet<>(before.columns().stream().map(Column::name).toList())), words.dialect());
    }

    boolean disturbs(TableIndex index) {
        List<String> plain =
                index.columns().stream().filter(part -> !part.expression()).map(TableIndex.IndexColumn::name).toList();
        return disturbs(plain)
                || index.columns().stream().flatMap(part -> part.computed().stream()).anyMatch(this::disturbs)
                || index.predicate().map(this::disturbs).orElse(false);
    }

    /** Old names of columns, by wanted name. */
    Map<String, String> oldNames() {
        Map<String, String> back = new HashMap<>();
        renamed.forEach((from, to) -> back.put(to, from));
        return back;
    }

    /** Whether anything of the columns changes. */
    boolean touchesColumns() {
        return !gone.isEmpty() || !fresh.isEmpty() || !altered.isEmpty() || !replaced.isEmpty() || !renamed.isEmpty()
                || rebuilt;
    }
}
