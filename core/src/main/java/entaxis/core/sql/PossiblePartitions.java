package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.sql.AdaptationNote.Kind;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Tables as far as an engine lets them inherit and be split. Where rows cannot be split, they are all in the whole, and
 * its partitions are left out. Linear in the size of the tables.
 */
final class PossiblePartitions {
    private final Dialect dialect;
    private final List<AdaptationNote> notes;
    private final Map<QualifiedName, Table> given;
    private final Set<QualifiedName> whole = new HashSet<>();

    private PossiblePartitions(List<Table> tables, Dialect dialect, List<AdaptationNote> notes) {
        this.dialect = dialect;
        this.notes = notes;
        this.given = Table.byName(tables);
    }

    /** The tables that an engine can hold, with what they inherit there; what is lost is noted. */
    static List<Table> of(List<Table> tables, Dialect dialect, List<AdaptationNote> notes) {
        if (tables.stream().allMatch(table -> table.knownHierarchy().equals(Hierarchy.NONE))) {
            return dialect.tableHierarchies() ? tables
                    : tables.stream().map(table -> table.withHierarchy(Optional.empty())).toList();
        }
        PossiblePartitions possible = new PossiblePartitions(tables, dialect, notes);
        List<Table> kept = new ArrayList<>();
        for (Table table : new CreationOrder(tables).parentsFirst()) {
            possible.table(table).ifPresent(kept::add);
        }
        return kept;
    }

    private void lose(Table table, String words) {
        notes.add(new AdaptationNote(Kind.LOST, table.label(), "", words));
    }

    private Optional<Table> table(Table table) {
        Hierarchy hierarchy = table.knownHierarchy();
        String engine = dialect.target().title();
        if (hierarchy.isPartition() && inWhole(hierarchy.parents().getFirst())) {
            whole.add(table.qualifiedName());
            return Optional.empty();
        }
        Optional<String> refused = hierarchy.partitioning().flatMap(by -> refusal(table, by));
        refused.ifPresent(reason -> {
            whole.add(table.qualifiedName());
            lose(table, reason);
        });
        if (!dialect.tableHierarchies() && !hierarchy.parents().isEmpty()) {
            lose(table, (hierarchy.isPartition() ? "it is a partition of " : "it inherits from ")
                    + hierarchy.parentsInWords()
                    + "; in " + engine + " it is a table of its own");
        }
        return Optional.of(!dialect.tableHierarchies() ? table.withHierarchy(Optional.empty())
                : refused.isEmpty() ? table : table.withHierarchy(Optional.of(
                        new Hierarchy(hierarchy.parents(), hierarchy.bound(), Optional.empty()))));
    }

    /** Whether the rows of a partition are in the table that it is part of. */
    private boolean inWhole(QualifiedName parent) {
        return given.containsKey(parent) && (whole.contains(parent) || !dialect.tableHierarchies());
    }

    private Optional<String> refusal(Table table, Partitioning by) {
        String key = by.key().stream().map(IndexColumn::name).collect(Collectors.joining(", "));
        if (!dialect.tableHierarchies()) {
            return Optional.of("its rows are split among partitions by " + key + "; in " + dialect.target().title()
                    + " all of them are in this table");
        }
        Optional<String> missing = missing(table, by);
        if (missing.isPresent()) {
            return Optional.of("its rows are not split by " + key + ", because it has no column " + missing.get());
        }
        Set<String> split = by.key().stream().map(IndexColumn::name).collect(Collectors.toSet());
        boolean computed = by.key().stream().anyMatch(IndexColumn::expression);
        List<List<String>> keys = Stream.of(table.primaryKey().stream().map(own -> own.columns()),
                table.uniqueKeys().stream().map(own -> own.columns()), table.indexes().stream()
                        .filter(TableIndex::unique).map(TableIndex::columnNames)).flatMap(all -> all).toList();
        return keys.stream().filter(columns -> computed || !columns.containsAll(split)).findFirst()
                .map(columns -> "its rows are not split by " + key + ", because " + dialect.target().title()
                        + " wants these columns in each of its keys; " + String.join(", ", columns) + " is one");
    }

    /** A column that rows are split by and that the table does not have. */
    private static Optional<String> missing(Table table, Partitioning by) {
        Set<String> there = table.columns().stream().map(column -> column.name().toLowerCase(Locale.ROOT))
                .collect(Collectors.toSet());
        return by.key().stream().flatMap(part -> part.computed().map(Expression::columns)
                .orElse(Set.of(part.column().toLowerCase(Locale.ROOT))).stream())
                .filter(name -> !there.contains(name)).findFirst();
    }
}
