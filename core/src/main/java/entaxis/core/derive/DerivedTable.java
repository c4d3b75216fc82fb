package entaxis.core.derive;

import entaxis.core.design.ColumnPath;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RelationshipId;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import java.util.List;
import java.util.Optional;

/**
 * A table that follows from a design, with what it and its parts come from.
 *
 * @param element       the entity or many-to-many that it was derived from
 * @param columns       its columns in their order, each with the attribute that it comes from
 * @param relationships for each of its foreign keys, in their order, the relationship that it comes from
 */
public record DerivedTable(OwnerId element, Table table, List<DerivedColumn> columns,
        List<RelationshipId> relationships) {
    /** Copies the lists. */
    public DerivedTable {
        columns = List.copyOf(columns);
        relationships = List.copyOf(relationships);
    }

    /** Its name. */
    public String name() {
        return table.name();
    }

    /** The column of a name. Linear in the columns. */
    public Optional<DerivedColumn> column(String name) {
        for (DerivedColumn column : columns) {
            if (column.name().equals(name)) {
                return Optional.of(column);
            }
        }
        return Optional.empty();
    }

    /** The column that comes from an attribute on a path. Linear in the columns. */
    public Optional<DerivedColumn> column(ColumnPath path) {
        for (DerivedColumn column : columns) {
            if (column.path().equals(path)) {
                return Optional.of(column);
            }
        }
        return Optional.empty();
    }

    /** What the column of a name comes from; nothing if there is none. */
    public Optional<ColumnPath> path(String column) {
        return column(column).map(DerivedColumn::path);
    }

    /** The columns of its primary key, in the order of the key; none without one. */
    public List<DerivedColumn> key() {
        return table.keyColumns().stream().flatMap(name -> column(name).stream()).toList();
    }

    /** What each column comes from, in their order. */
    public List<ColumnPath> paths() {
        return columns.stream().map(DerivedColumn::path).toList();
    }

    /** The first foreign key that comes from a relationship. */
    public Optional<ForeignKey> foreignKey(RelationshipId relationship) {
        int at = relationships.indexOf(relationship);
        return at < 0 ? Optional.empty() : Optional.of(table.foreignKeys().get(at));
    }

    /** The relationship that one of its foreign keys comes from; nothing if it is none of them. */
    public Optional<RelationshipId> relationship(ForeignKey key) {
        int at = table.foreignKeys().indexOf(key);
        return at < 0 ? Optional.empty() : Optional.of(relationships.get(at));
    }
}
