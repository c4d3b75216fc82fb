package entaxis.core.derive;

import entaxis.core.design.Entity;
import entaxis.core.design.Partitions.Partition;
import entaxis.core.design.Partitions.Split;
import entaxis.core.design.Partitions;
import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.schema.Column;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The tables of partitions, which have what the whole has. */
final class PartitionTables {
    private PartitionTables() { }

    /**
     * The table of an entity with what its rows are split by, if they are.
     *
     * @param columnNames how conditions must speak of attributes whose columns are not called as the attributes are
     */
    static Table split(Table table, Entity entity, Map<String, String> columnNames) {
        return entity.partitions().map(partitions -> table.withHierarchy(Optional.of(
                Hierarchy.NONE.partitioned(partitioning(partitions.split(), table, columnNames))))).orElse(table);
    }

    private static Partitioning partitioning(Split split, Table table, Map<String, String> columnNames) {
        return new Partitioning(split.method(),
                split.key().stream().map(text -> part(Expression.of(text).renamed(columnNames), table)).toList());
    }

    private static IndexColumn part(Expression expression, Table table) {
        Optional<Column> column = table.columns().stream().filter(own -> own.name().equals(expression.text())
                || SqlName.quoted(own.name()).equals(expression.text())).findFirst();
        return column.map(own -> new IndexColumn(own.name(), false)).orElseGet(() -> IndexColumn.of(expression));
    }

    /**
     * The tables of an entity's partitions, each behind the one that it is part of.
     *
     * @param whole the entity's table
     */
    static List<Table> of(Table whole, Entity entity, Map<String, String> columnNames) {
        List<Table> tables = new ArrayList<>();
        for (Partition partition : entity.partitions().map(Partitions::partitions).orElse(List.of())) {
            QualifiedName parent = partition.of().isEmpty() ? whole.qualifiedName()
                    : whole.qualifiedName().named(partition.of());
            Hierarchy hierarchy = new Hierarchy(List.of(parent), Optional.of(partition.bound()),
                    partition.split().map(split -> partitioning(split, whole, columnNames)));
            tables.add(bare(whole).named(partition.name()).withHierarchy(Optional.of(hierarchy)));
        }
        return tables;
    }

    /** A table without comments and without names of keys and indexes, which are those of the whole alone. */
    private static Table bare(Table whole) {
        return whole.withComment("")
                .withColumns(whole.columns().stream().map(column -> column.withComment("")).toList())
                .withKeys(whole.primaryKey().map(key -> key.named("")),
                        whole.uniqueKeys().stream().map(key -> new UniqueKey("", key.columns())).toList())
                .referring(whole.foreignKeys().stream().map(key -> key.named("")).toList())
                .withIndexes(whole.indexes().stream().map(index -> index.named("")).toList());
    }
}
