package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.NameSpaces.Named;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Names as an engine holds them: cut where they are too long, constraints and indexes apart from each other where they
 * share one {@link NameSpaces space of names}.
 */
final class StoredNames {
    private final Dialect dialect;
    private final List<AdaptationNote> findings;
    private final NameSpaces spaces;
    /** The names that are taken, by the space that they are taken in. */
    private final Map<String, Set<String>> taken = new HashMap<>();

    StoredNames(Dialect dialect, List<AdaptationNote> findings) {
        this.dialect = dialect;
        this.findings = findings;
        this.spaces = dialect.nameSpaces();
    }

    List<Table> named(List<Table> tables) {
        Map<String, String> seen = new HashMap<>();
        for (Table table : tables) {
            String held = dialect.stored(table.name());
            String other = seen.putIfAbsent(table.namespace() + "\u0000" + dialect.compared(held), table.name());
            if (other != null) {
                findings.add(new AdaptationNote(AdaptationNote.Kind.CLASH, table.label(), "",
                        "it has the same name as " + other + " in " + dialect.target().title()));
            }
            spaces.ofTable(table).forEach(space -> takenIn(space).add(dialect.compared(held)));
        }
        return tables.stream().map(this::named).toList();
    }

    private Table named(Table table) {
        Map<String, String> seen = HashMap.newHashMap(table.columns().size());
        Map<String, String> cut = new HashMap<>();
        for (Column column : table.columns()) {
            String held = dialect.stored(column.name());
            if (!held.equals(column.name())) {
                cut.put(column.name().toLowerCase(Locale.ROOT), dialect.name(held));
            }
            String other = seen.putIfAbsent(dialect.compared(held), column.name());
            if (other != null) {
                findings.add(new AdaptationNote(AdaptationNote.Kind.CLASH, table.label(), column.name(),
                        "it has the same name as the column " + other + " in " + dialect.target().title()));
            }
        }
        UnaryOperator<String> stored = dialect::stored;
        UnaryOperator<Expression> expression = one -> one.renamed(cut);
        Optional<PrimaryKey> key = table.primaryKey()
                .map(own -> own.named(
                        dialect.primaryKeyName().orElseGet(() -> free(table, Named.PRIMARY_KEY, own.name())))
                        .renamed(stored));
        List<UniqueKey> uniques =
                table.uniqueKeys().stream().map(own -> new UniqueKey(free(table, Named.UNIQUE_KEY, own.name()),
                        own.columns().stream().map(stored).toList())).toList();
        List<CheckRule> checks = table.checks().stream()
                .map(own -> own.named(free(table, Named.CHECK, own.name())).with(expression.apply(own.condition())))
                .toList();
        List<ForeignKey> references = table.foreignKeys().stream()
                .map(own -> own.named(free(table, Named.FOREIGN_KEY, own.name()))
                        .over(own.columns().stream().map(stored).toList())
                        .to(new QualifiedName(dialect.schemas() ? own.referenced().namespace() : "",
                                dialect.stored(own.referencedTable())),
                                own.referencedColumns().stream().map(stored).toList()))
                .toList();
        List<TableIndex> indexes =
                table.indexes().stream()
                        .map(own -> own.named(free(table, Named.INDEX, own.name()))
                                .worded(dialect::stored, expression)).toList();
        List<Column> columns = cut.isEmpty() ? table.columns() : table.columns().stream().map(
                column -> column.named(dialect.stored(column.name())).withGenerated(column.generated().map(expression)))
                .toList();
        return table.named(dialect.stored(table.name())).withColumns(columns).withKeys(key, uniques).withChecks(checks)
                .referring(references).withIndexes(indexes)
                .withHierarchy(table.hierarchy().map(own -> own.withKey(stored, expression)
                        .renamed(dialect::stored)));
    }

    /** A name that nothing else has in the spaces that it belongs to; what has no name is left so. */
    private String free(Table table, Named kind, String name) {
        if (kind != Named.INDEX && !dialect.keepsConstraintNames()) {
            return "";
        }
        List<String> shared = spaces.of(kind, table);
        if (name.isEmpty() || take(shared, dialect.stored(name))) {
            return dialect.stored(name);
        }
        String base = table.name() + "_" + name;
        String proposed = dialect.stored(base);
        for (int number = 2; !take(shared, proposed); number++) {
            proposed = dialect.stored(base + "_" + number);
        }
        return proposed;
    }

    private boolean take(List<String> shared, String name) {
        String compared = dialect.compared(name);
        boolean free = shared.stream().noneMatch(space -> takenIn(space).contains(compared));
        if (free) {
            shared.forEach(space -> takenIn(space).add(compared));
        }
        return free;
    }

    private Set<String> takenIn(String space) {
        return taken.computeIfAbsent(space, any -> new HashSet<>());
    }
}
