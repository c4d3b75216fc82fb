package entaxis.core.schema;

import entaxis.core.design.OwnerId;
import java.util.List;
import java.util.Optional;

/**
 * A base table (ISO/IEC 9075-2, 11.3).
 *
 * @param origin    the entity or many-to-many that it was derived from
 * @param namespace the schema that it was put into, where one was named
 * @param comment   what one row is; may be empty
 */
public record Table(Optional<OwnerId> origin, String namespace, String name, List<Column> columns,
        Optional<PrimaryKey> primaryKey, List<UniqueKey> uniqueKeys,
        List<CheckRule> checks, List<ForeignKey> foreignKeys, List<TableIndex> indexes, String comment) {

    /** Copies the lists. */
    public Table {
        columns = List.copyOf(columns);
        uniqueKeys = List.copyOf(uniqueKeys);
        checks = List.copyOf(checks);
        foreignKeys = List.copyOf(foreignKeys);
        indexes = List.copyOf(indexes);
    }

    /** A table without indexes beside those of its keys. */
    public Table(Optional<OwnerId> origin, String name, List<Column> columns, Optional<PrimaryKey> primaryKey,
            List<UniqueKey> uniqueKeys, List<CheckRule> checks,
            List<ForeignKey> foreignKeys, String comment) {
        this(origin, "", name, columns, primaryKey, uniqueKeys, checks, foreignKeys, List.of(), comment);
    }

    /** A table in the usual schema. */
    public Table(Optional<OwnerId> origin, String name, List<Column> columns, Optional<PrimaryKey> primaryKey,
            List<UniqueKey> uniqueKeys, List<CheckRule> checks,
            List<ForeignKey> foreignKeys, List<TableIndex> indexes, String comment) {
        this(origin, "", name, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes, comment);
    }

    /** The same in another schema. */
    public Table in(String newNamespace) {
        return new Table(origin, newNamespace, name, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                comment);
    }

    /** The same with other foreign keys. */
    public Table referring(List<ForeignKey> newKeys) {
        return new Table(origin, namespace, name, columns, primaryKey, uniqueKeys, checks, newKeys, indexes, comment);
    }

    /** The column of a name. */
    public Optional<Column> column(String column) {
        for (Column own : columns) {
            if (own.name().equals(column)) {
                return Optional.of(own);
            }
        }
        return Optional.empty();
    }

    /** Names of the primary key's columns in rank order; empty without one. */
    public List<String> keyColumns() {
        return primaryKey.map(PrimaryKey::columns).orElse(List.of());
    }
}
