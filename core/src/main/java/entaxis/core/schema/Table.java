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
 * @param grants    who may use it, without its owner, in order; empty where that is not told
 */
public record Table(Optional<OwnerId> origin, String namespace, String name, List<Column> columns,
        Optional<PrimaryKey> primaryKey, List<UniqueKey> uniqueKeys, List<CheckRule> checks,
        List<ForeignKey> foreignKeys, List<TableIndex> indexes, String comment, Optional<List<Grant>> grants) {

    /** Copies the lists. */
    public Table {
        columns = List.copyOf(columns);
        uniqueKeys = List.copyOf(uniqueKeys);
        checks = List.copyOf(checks);
        foreignKeys = List.copyOf(foreignKeys);
        indexes = List.copyOf(indexes);
        grants = grants.map(List::copyOf);
    }

    /** A table without indexes beside those of its keys. */
    public Table(Optional<OwnerId> origin, String name, List<Column> columns, Optional<PrimaryKey> primaryKey,
            List<UniqueKey> uniqueKeys, List<CheckRule> checks,
            List<ForeignKey> foreignKeys, String comment) {
        this(origin, name, columns, primaryKey, uniqueKeys, checks, foreignKeys, List.of(), comment);
    }

    /** A table in the usual schema, of which is not told who may use it. */
    public Table(Optional<OwnerId> origin, String name, List<Column> columns, Optional<PrimaryKey> primaryKey,
            List<UniqueKey> uniqueKeys, List<CheckRule> checks,
            List<ForeignKey> foreignKeys, List<TableIndex> indexes, String comment) {
        this(origin, "", name, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes, comment,
                Optional.empty());
    }

    /** The same under another name. */
    public Table named(String newName) {
        return new Table(origin, namespace, newName, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                comment, grants);
    }

    /** The same in another schema. */
    public Table in(String newNamespace) {
        return new Table(origin, newNamespace, name, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                comment, grants);
    }

    /** The same with other columns. */
    public Table withColumns(List<Column> newColumns) {
        return new Table(origin, namespace, name, newColumns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                comment, grants);
    }

    /** The same with other keys. */
    public Table withKeys(Optional<PrimaryKey> newPrimary, List<UniqueKey> newUnique) {
        return new Table(origin, namespace, name, columns, newPrimary, newUnique, checks, foreignKeys, indexes,
                comment, grants);
    }

    /** The same with other rules. */
    public Table withChecks(List<CheckRule> newChecks) {
        return new Table(origin, namespace, name, columns, primaryKey, uniqueKeys, newChecks, foreignKeys, indexes,
                comment, grants);
    }

    /** The same with other foreign keys. */
    public Table referring(List<ForeignKey> newKeys) {
        return new Table(origin, namespace, name, columns, primaryKey, uniqueKeys, checks, newKeys, indexes, comment,
                grants);
    }

    /** The same with other indexes. */
    public Table withIndexes(List<TableIndex> newIndexes) {
        return new Table(origin, namespace, name, columns, primaryKey, uniqueKeys, checks, foreignKeys, newIndexes,
                comment, grants);
    }

    /** The same with another comment. */
    public Table withComment(String newComment) {
        return new Table(origin, namespace, name, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                newComment, grants);
    }

    /** The same for others to use. */
    public Table withGrants(Optional<List<Grant>> newGrants) {
        return new Table(origin, namespace, name, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                comment, newGrants);
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
