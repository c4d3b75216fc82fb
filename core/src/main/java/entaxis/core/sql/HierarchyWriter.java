package entaxis.core.sql;

import entaxis.core.design.Partitions.Partition;
import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * Writes what a table inherits from, which partition of another it is, and how it is split itself (PostgreSQL manual,
 * CREATE TABLE and ALTER TABLE).
 */
public final class HierarchyWriter {
    private final Dialect dialect;
    private final Spelling spelling;
    private final Function<IndexColumn, String> part;

    /**
     * A writer for an engine.
     *
     * @param part writes a part of an index, as parts of a partition key are written like these
     */
    HierarchyWriter(Dialect dialect, Spelling spelling, Function<IndexColumn, String> part) {
        this.dialect = dialect;
        this.spelling = spelling;
        this.part = part;
    }

    /** What stands between the name of a table and its elements; empty unless it is a partition. */
    String head(Hierarchy hierarchy) {
        return hierarchy.isPartition() ? " PARTITION OF " + spelling.name(hierarchy.parents().getFirst()) : "";
    }

    /** What stands behind the elements of a table; empty for one that stands alone. */
    String tail(Hierarchy hierarchy) {
        String above = hierarchy.bound().map(bound -> "\n    " + bound(bound)).orElseGet(() ->
                hierarchy.parents().isEmpty() ? "" : " INHERITS " + hierarchy.parents().stream().map(spelling::name)
                        .collect(Collectors.joining(", ", "(", ")")));
        return above + hierarchy.partitioning()
                .map(by -> (above.isEmpty() ? " " : "\n    ") + "PARTITION BY " + partitioning(by)).orElse("");
    }

    /** By what a table is split, as it stands behind PARTITION BY. */
    public String partitioning(Partitioning by) {
        return by.method() + " " + by.key().stream().map(part).collect(Collectors.joining(", ", "(", ")"));
    }

    /** Which rows a partition holds, as it stands in its definition. */
    public String bound(PartitionBound bound) {
        return switch (bound) {
            case PartitionBound.Range(var from, var to) -> "FOR VALUES FROM " + values(from) + " TO " + values(to);
            case PartitionBound.Values(var values) -> "FOR VALUES IN " + values(values);
            case PartitionBound.Remainder(long modulus, long remainder) ->
                    "FOR VALUES WITH (MODULUS " + modulus + ", REMAINDER " + remainder + ")";
            case PartitionBound.Default() -> "DEFAULT";
        };
    }

    /** A partition of a design as one line says it; {@code syntax.PartitionLine} reads it. */
    public String line(Partition partition) {
        return SqlName.quoted(partition.name())
                + (partition.of().isEmpty() ? "" : " OF " + SqlName.quoted(partition.of())) + " "
                + bound(partition.bound()) + partition.split().map(own -> " PARTITION BY " + own.text()).orElse("");
    }

    private String values(List<Expression> values) {
        return values.stream().map(dialect::written).collect(Collectors.joining(", ", "(", ")"));
    }

    /** The statement that makes a table a partition of another, or lets it inherit from it. */
    public String join(Table table, QualifiedName parent, Hierarchy hierarchy) {
        return hierarchy.bound()
                .map(bound -> "ALTER TABLE " + spelling.name(parent) + " ATTACH PARTITION " + spelling.name(table) + " "
                        + bound(bound))
                .orElseGet(() -> "ALTER TABLE " + spelling.name(table) + " INHERIT " + spelling.name(parent));
    }

    /** The statement that makes a table stand apart from one that it is a partition of, or inherits from. */
    public String leave(Table table, QualifiedName parent, Hierarchy hierarchy) {
        return hierarchy.isPartition()
                ? "ALTER TABLE " + spelling.name(parent) + " DETACH PARTITION " + spelling.name(table)
                : "ALTER TABLE " + spelling.name(table) + " NO INHERIT " + spelling.name(parent);
    }
}
