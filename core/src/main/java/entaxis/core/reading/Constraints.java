package entaxis.core.reading;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.UniqueKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.statement.IndexDefinition;
import entaxis.core.statement.Reference;
import entaxis.core.statement.TableConstraint;
import entaxis.core.syntax.SyntaxRule;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Gives tables the keys, references and rules that statements define. */
final class Constraints {
    private final SchemaBuilder builder;
    private final ImpliedNames implied;
    private final ColumnDefaults defaults;
    private final Indexes indexes;

    Constraints(SchemaBuilder builder, ImpliedNames implied, ColumnDefaults defaults, Indexes indexes) {
        this.builder = builder;
        this.implied = implied;
        this.defaults = defaults;
        this.indexes = indexes;
    }

    /**
     * Adds a constraint to a table.
     *
     * @throws ConflictException if it cannot be
     */
    void add(TableBuilder table, TableConstraint constraint) {
        switch (constraint) {
            case TableConstraint.PrimaryKey key -> {
                setPrimaryKey(table, implied.given(table, key.name()), key.columns(), key.place());
                if (builder.dialect.prefixIndexes()) {
                    table.primaryKey = table.primaryKey
                            .map(own -> new PrimaryKey(own.name(), own.columns(), prefixes(table, key.parts())));
                }
            }
            case TableConstraint.Unique key -> unique(table, key);
            case TableConstraint.KeyFromIndex key -> fromIndex(table, key);
            case TableConstraint.ForeignKey(String name, var columns, var reference, int place) ->
                    addReference(table, implied.given(table, name), columns, reference, place);
            case TableConstraint.Check(String name, Expression condition) ->
                    addCheck(table, implied.given(table, name), condition, "");
            case TableConstraint.Index(var definition) -> indexes.add(table, definition);
            case TableConstraint.Exclusion(var definition) -> exclusion(table, definition);
            case TableConstraint.Period(String name, var ends, int place) -> period(table, name, ends, place);
            case TableConstraint.NotNull(String column) -> table.require(column);
            case TableConstraint.Default(String column, int place, Expression expression) ->
                    defaults.setDefault(table.existing(column, place), expression);
        }
    }

    private void unique(TableBuilder table, TableConstraint.Unique key) {
        String name = implied.given(table, key.name());
        boolean index = key.parts().stream()
                .anyMatch(column -> column.expression() || column.descending() || column.prefix().isPresent());
        if (index) {
            String named = name.isEmpty() ? implied.index(table, List.of(key.columns().getFirst())) : name;
            indexes.add(table, new TableIndex(named, true, key.parts()));
        } else {
            addUnique(table, name, key.columns(), key.place());
        }
    }

    private void exclusion(TableBuilder table, IndexDefinition definition) {
        // PostgreSQL source, ChooseIndexColumnNames
        List<String> columns = definition.columns().stream()
                .map(column -> column.expression() ? "expr" : column.name()).toList();
        String name = implied.given(table, definition.name());
        table.indexes.add(new TableIndex(name.isEmpty() ? implied.exclusion(table, columns) : name, false,
                definition.columns(), definition.method(), definition.predicate(), definition.included()));
    }

    private void fromIndex(TableBuilder table, TableConstraint.KeyFromIndex key) {
        String given = implied.given(table, key.name());
        TableIndex index = table.indexes.stream().filter(own -> own.name().equals(key.index())).findFirst()
                .orElseThrow(() -> new ConflictException(key.place(),
                        "the table " + table.name + " has no index " + key.index()));
        table.indexes.remove(index);
        List<String> columns = index.columns().stream().map(IndexColumn::name).toList();
        String name = given.isEmpty() ? key.index() : given;
        if (key.primary()) {
            setPrimaryKey(table, name, columns, key.place());
        } else {
            table.uniqueKeys.add(new UniqueKey(name, columns));
        }
    }

    /** The lengths of columns of a key, without those that are the whole column. */
    private static Map<String, Integer> prefixes(TableBuilder table, List<IndexColumn> columns) {
        Map<String, Integer> prefixes = new HashMap<>();
        for (IndexColumn column : columns) {
            IndexColumn part = Indexes.whole(table, column);
            part.prefix().ifPresent(
                    length -> prefixes.put(table.spelled(part.name()).orElse(part.name()), length));
        }
        return prefixes;
    }

    /** MariaDB manual, “Application-Time Periods”: both ends need a value, and the first comes before the second. */
    private static void period(TableBuilder table, String name, List<String> columns, int place) {
        List<String> ends = table.existing(columns, place);
        ends.forEach(table::require);
        table.checks.add(new CheckRule(name, "`" + ends.getFirst() + "` < `" + ends.getLast() + "`"));
    }

    /** Gives a table its primary key. */
    void setPrimaryKey(TableBuilder table, String name, List<String> columns, int place) {
        if (table.primaryKey.isPresent()) {
            throw new ConflictException(place, "the table " + table.name + " already has a primary key");
        }
        List<String> own = table.existing(columns, place);
        String named =
                name.isEmpty() || builder.dialect.primaryKeyName().isPresent() ? implied.primaryKey(table) : name;
        table.primaryKey = Optional.of(new PrimaryKey(named, own));
        if (!builder.takes(SyntaxRule.KEYS_TAKE_NULL)) {
            own.forEach(table::require);
        }
    }

    /** Adds a unique key. */
    void addUnique(TableBuilder table, String name, List<String> columns, int place) {
        List<String> own = table.existing(columns, place);
        table.uniqueKeys.add(new UniqueKey(name.isEmpty() ? implied.unique(table, own) : name, own));
    }

    /** Adds a rule; the column is that which it is at, empty if it stands apart. */
    void addCheck(TableBuilder table, String name, Expression condition, String column) {
        String spoken = name.isEmpty() && implied.namesChecksByCondition() ? onlyColumn(table, condition) : column;
        table.checks.add(new CheckRule(name.isEmpty() ? implied.check(table, spoken) : name, condition));
    }

    /** The column that a condition speaks of, if it is one only: PostgreSQL names the constraint after it. */
    private static String onlyColumn(TableBuilder table, Expression condition) {
        List<String> spoken = table.columns.stream().map(column -> column.name)
                .filter(name -> condition.columns().contains(name.toLowerCase(Locale.ROOT))).limit(2).toList();
        return spoken.size() == 1 ? spoken.getFirst() : "";
    }

    /** Adds a reference as it is said; the other table may be one that comes later. */
    void addReference(TableBuilder table, String name, List<String> columns, Reference reference, int place) {
        List<String> own = table.existing(columns, place);
        if (!table.keepsReferences) {
            table.passedReferences = true;
            indexInstead(table, name, own);
            return;
        }
        QualifiedName parent = reference.table();
        ForeignKey key = new ForeignKey(name.isEmpty() ? implied.foreignKey(table, own) : name, own, parent,
                reference.columns(), reference.onDelete(), reference.onUpdate(), reference.deferral());
        table.foreignKeys.add(builder.table(parent).map(other -> spelled(key, other)).orElse(key));
    }

    private static ForeignKey spelled(ForeignKey key, TableBuilder other) {
        return other.name.equals(key.referencedTable()) && other.spellsAll(key.referencedColumns()) ? key
                : key.to(key.referenced().named(other.name), key.referencedColumns().stream()
                        .map(column -> other.spelled(column).orElse(column)).toList());
    }

    /**
     * MySQL manual, “FOREIGN KEY Constraint Differences”: where references are not kept, the index that they ask for
     * is.
     */
    private void indexInstead(TableBuilder table, String name, List<String> columns) {
        boolean covered = table.primaryKey.filter(key -> starts(key.columns(), columns)).isPresent()
                || table.uniqueKeys.stream().anyMatch(key -> starts(key.columns(), columns))
                || table.indexes.stream().anyMatch(index -> starts(Indexes.nameParts(index.columns()), columns));
        if (!covered) {
            indexes.add(table, new TableIndex(name.isEmpty() ? implied.index(table, columns) : name, false,
                    columns.stream().map(column -> new IndexColumn(column, false)).toList(), "", Optional.empty()));
        }
    }

    private static boolean starts(List<String> columns, List<String> wanted) {
        return columns.size() >= wanted.size() && columns.subList(0, wanted.size()).equals(wanted);
    }

    /**
     * Leaves out unique keys over the columns of the primary key, or of another unique key, of one CREATE TABLE; a name
     * that was given goes to the one that stays (PostgreSQL source, transformIndexConstraints).
     */
    void mergeEqualKeys(TableBuilder table) {
        if (!builder.takes(SyntaxRule.MERGES_EQUAL_KEYS) || table.uniqueKeys.isEmpty()) {
            return;
        }
        List<UniqueKey> kept = new ArrayList<>();
        for (UniqueKey key : table.uniqueKeys) {
            boolean primary = table.primaryKey.filter(own -> own.columns().equals(key.columns())).isPresent();
            int before = 0;
            while (before < kept.size() && !kept.get(before).columns().equals(key.columns())) {
                before++;
            }
            if (primary) {
                table.primaryKey = table.primaryKey
                        .map(own -> own.named(oneName(table, own.name(), key.name())));
            } else if (before < kept.size()) {
                kept.set(before, new UniqueKey(oneName(table, kept.get(before).name(), key.name()), key.columns()));
            } else {
                kept.add(key);
            }
        }
        table.uniqueKeys.clear();
        table.uniqueKeys.addAll(kept);
    }

    private String oneName(TableBuilder table, String first, String second) {
        return implied.isMadeUp(table, first) && !implied.isMadeUp(table, second) ? second : first;
    }
}
