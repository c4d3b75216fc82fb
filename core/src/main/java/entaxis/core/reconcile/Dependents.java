package entaxis.core.reconcile;

import entaxis.core.expression.ViewQuery;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.OwnParts;
import entaxis.core.schema.Program;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.syntax.ScriptSyntax;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a change of a table or column touches: keys, references both ways, indexes, checks, computed columns, and the
 * views and routines that speak of it. Made once for a schema, in linear time; asked as often as one likes, each time
 * in the size of the table and of what refers to it.
 */
public final class Dependents {
    private final Dialect dialect;
    private final Map<String, Table> tables = new HashMap<>();
    private final Map<String, List<Reference>> references = new HashMap<>();
    private final Map<String, List<Table>> heirs = new HashMap<>();
    private final List<Spoken> programs = new ArrayList<>();

    /** A foreign key, and the table that has it. */
    private record Reference(Table from, ForeignKey key) { }

    /**
     * A view or routine with what it speaks of.
     *
     * @param query what a view reads, where that is understood
     * @param names all names in its text, in small letters; none if its query tells more
     */
    private record Spoken(Program program, Optional<ViewQuery> query, Set<String> names) {
        static Spoken of(Program program, Dialect dialect) {
            Optional<ViewQuery> query = ScriptSyntax.of(program.target()).query(program.kind(), program.text());
            return new Spoken(program, query,
                    query.isPresent() ? Set.of() : IsoNormalizer.namesOfProgram(program.text(), dialect));
        }

        /** Whether it speaks of a table, and of its column if one is named. */
        boolean of(String table, String column) {
            return query.map(read -> column.isEmpty() ? read.reads(table) : read.mayRead(table, column))
                    .orElseGet(() -> names.contains(table.toLowerCase(Locale.ROOT)) && (column.isEmpty()
                            || names.contains(column.toLowerCase(Locale.ROOT)) || program.text().contains("*")));
        }
    }

    private Dependents(Schema schema, Dialect dialect) {
        this.dialect = dialect;
        for (Table table : OwnParts.of(schema.tables())) {
            tables.putIfAbsent(table.label(), table);
            table.knownHierarchy().parents().forEach(
                    parent -> heirs.computeIfAbsent(parent.label(), any -> new ArrayList<>()).add(table));
            table.foreignKeys().forEach(
                    key -> references.computeIfAbsent(key.referenced().label(),
                            any -> new ArrayList<>()).add(new Reference(table, key)));
        }
        schema.programs().forEach(program -> programs.add(Spoken.of(program, dialect)));
    }

    /** What depends on what in a schema. */
    public static Dependents in(Schema schema, Dialect dialect) {
        return new Dependents(schema, dialect);
    }

    /** What depends on a column of a table; on the whole table, if the column is empty. Each as a short phrase. */
    public List<String> of(String table, String column) {
        List<String> touched = new ArrayList<>();
        Optional.ofNullable(tables.get(table)).ifPresent(own -> within(own, column, dialect, touched));
        for (Reference reference : references.getOrDefault(table, List.of())) {
            if (column.isEmpty() || reference.key().referencedColumns().contains(column)) {
                touched.add("referred to by " + reference.from().label() + " ("
                        + String.join(", ", reference.key().columns()) + ")");
            }
        }
        heirs.getOrDefault(table, List.of()).forEach(heir -> touched.add(
                (heir.knownHierarchy().isPartition() ? "the partition " : "what inherits it, ") + heir.label()));
        String name = QualifiedName.ofLabel(table).name();
        for (Spoken spoken : programs) {
            if (spoken.of(name, column)) {
                touched.add("the " + spoken.program().kind().word() + " " + spoken.program().name());
            }
        }
        return touched;
    }

    private static void within(Table table, String column, Dialect dialect, List<String> touched) {
        String small = column.toLowerCase(Locale.ROOT);
        table.primaryKey().filter(key -> !column.isEmpty() && key.columns().contains(column))
                .ifPresent(key -> touched.add("the primary key (" + String.join(", ", key.columns()) + ")"));
        table.uniqueKeys().stream().filter(key -> !column.isEmpty() && key.columns().contains(column))
                .forEach(key -> touched.add("the unique key (" + String.join(", ", key.columns()) + ")"));
        table.foreignKeys().stream().filter(key -> column.isEmpty() || key.columns().contains(column))
                .forEach(key -> touched.add("the reference to " + key.referenced().label()));
        table.indexes().stream().filter(index -> column.isEmpty() ? !index.name().isEmpty()
                : index.columns().stream().anyMatch(part -> part.computed()
                        .map(expression -> IsoNormalizer.names(expression, dialect).contains(small))
                        .orElseGet(() -> part.column().equals(column))))
                .forEach(index -> touched.add("the index " + index.name()));
        table.checks().stream()
                .filter(check -> !column.isEmpty() && IsoNormalizer.names(check.condition(), dialect).contains(small))
                .forEach(check -> touched.add("the check " + check.name()));
        table.knownHierarchy().partitioning().filter(by -> !column.isEmpty() && by.key().stream().anyMatch(part ->
                part.computed().map(expression -> IsoNormalizer.names(expression, dialect).contains(small))
                        .orElseGet(() -> part.column().equals(column))))
                .ifPresent(by -> touched.add("what its rows are split by"));
        for (Column other : table.columns()) {
            if (!column.isEmpty() && other.generated()
                    .filter(text -> IsoNormalizer.names(text, dialect).contains(small)).isPresent()) {
                touched.add("the computed column " + other.name());
            }
        }
    }
}
