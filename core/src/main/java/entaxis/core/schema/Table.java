package entaxis.core.schema;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A base table (ISO/IEC 9075-2, 11.3). {@link #of} makes one, and each other method gives it one thing.
 *
 * @param comment   what one row is; may be empty
 * @param grants    who may use it, without its owner, in order; empty where that is not told
 * @param hierarchy what it inherits from, and how it is partitioned; empty where that is not told
 */
public record Table(QualifiedName qualifiedName, List<Column> columns,
        Optional<PrimaryKey> primaryKey, List<UniqueKey> uniqueKeys, List<CheckRule> checks,
        List<ForeignKey> foreignKeys, List<TableIndex> indexes, String comment, Optional<List<Grant>> grants,
        Optional<Hierarchy> hierarchy) {

    /** Copies the lists. */
    public Table {
        columns = List.copyOf(columns);
        uniqueKeys = List.copyOf(uniqueKeys);
        checks = List.copyOf(checks);
        foreignKeys = List.copyOf(foreignKeys);
        indexes = List.copyOf(indexes);
        grants = grants.map(List::copyOf);
    }

    /** A table with nothing in it, of which is not told who may use it. */
    public static Table of(QualifiedName name) {
        return new Table(name, List.of(), Optional.empty(), List.of(), List.of(), List.of(),
                List.of(), "", Optional.empty(), Optional.empty());
    }

    /** A table of the default schema with nothing in it. */
    public static Table of(String name) {
        return of(QualifiedName.of(name));
    }

    /** Tables by their names; of two that have one name, the first. */
    public static Map<QualifiedName, Table> byName(List<Table> tables) {
        Map<QualifiedName, Table> named = HashMap.newHashMap(tables.size());
        tables.forEach(table -> named.putIfAbsent(table.qualifiedName(), table));
        return named;
    }

    /** Its name within its schema. */
    public String name() {
        return qualifiedName.name();
    }

    /** The schema that it was put into; empty for the default one. */
    public String namespace() {
        return qualifiedName.namespace();
    }

    /** Its name as people are told it: with its schema, unless that is the default one. */
    public String label() {
        return qualifiedName.label();
    }

    /** The same under another name. */
    public Table named(QualifiedName newName) {
        return new Table(newName, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes, comment, grants,
                hierarchy);
    }

    /** The same under another name in its schema. */
    public Table named(String newName) {
        return named(qualifiedName.named(newName));
    }

    /** The same in another schema. */
    public Table in(String newNamespace) {
        return named(qualifiedName.in(newNamespace));
    }

    /** The same with other columns. */
    public Table withColumns(List<Column> newColumns) {
        return new Table(qualifiedName, newColumns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                comment, grants, hierarchy);
    }

    /** The same with another primary key, or none. */
    public Table withPrimaryKey(Optional<PrimaryKey> newKey) {
        return withKeys(newKey, uniqueKeys);
    }

    /** The same with other keys. */
    public Table withKeys(Optional<PrimaryKey> newPrimary, List<UniqueKey> newUnique) {
        return new Table(qualifiedName, columns, newPrimary, newUnique, checks, foreignKeys, indexes, comment,
                grants, hierarchy);
    }

    /** The same with other rules. */
    public Table withChecks(List<CheckRule> newChecks) {
        return new Table(qualifiedName, columns, primaryKey, uniqueKeys, newChecks, foreignKeys, indexes,
                comment, grants, hierarchy);
    }

    /** The same with other foreign keys. */
    public Table referring(List<ForeignKey> newKeys) {
        return new Table(qualifiedName, columns, primaryKey, uniqueKeys, checks, newKeys, indexes, comment, grants,
                hierarchy);
    }

    /** The same with other indexes. */
    public Table withIndexes(List<TableIndex> newIndexes) {
        return new Table(qualifiedName, columns, primaryKey, uniqueKeys, checks, foreignKeys, newIndexes,
                comment, grants, hierarchy);
    }

    /** The same with another comment. */
    public Table withComment(String newComment) {
        return new Table(qualifiedName, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes,
                newComment, grants, hierarchy);
    }

    /** The same for others to use. */
    public Table withGrants(Optional<List<Grant>> newGrants) {
        return new Table(qualifiedName, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes, comment,
                newGrants, hierarchy);
    }

    /** The same in a place among other tables. */
    public Table withHierarchy(Optional<Hierarchy> newHierarchy) {
        return new Table(qualifiedName, columns, primaryKey, uniqueKeys, checks, foreignKeys, indexes, comment, grants,
                newHierarchy);
    }

    /** What it inherits from, and how it is partitioned; nothing where that is not told. */
    public Hierarchy knownHierarchy() {
        return hierarchy.orElse(Hierarchy.NONE);
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
