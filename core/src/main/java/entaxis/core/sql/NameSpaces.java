package entaxis.core.sql;

import entaxis.core.schema.Table;
import java.util.List;

/**
 * Within what the name of a constraint or index has to be the only one.
 *
 * @param tables      what the names of tables belong to, as far as constraints and indexes share it
 * @param primaryKeys what the names of primary keys belong to
 * @param uniqueKeys  what those of other keys belong to
 * @param checks      what those of checks belong to
 * @param references  what those of foreign keys belong to
 * @param indexes     what those of indexes belong to
 */
public record NameSpaces(List<Space> tables, List<Space> primaryKeys, List<Space> uniqueKeys, List<Space> checks,
        List<Space> references, List<Space> indexes) {
    /** Tables, and what else there is of the schema in one space. */
    public static final Space OBJECTS = inSchema("objects");

    /** ISO/IEC 9075-2, 5.4: constraints within their schema. */
    static final NameSpaces ISO = of(List.of(OBJECTS), List.of(OBJECTS), List.of(OBJECTS), List.of(OBJECTS));

    /** What has a name beside tables and columns. */
    enum Named { PRIMARY_KEY, UNIQUE_KEY, CHECK, FOREIGN_KEY, INDEX }

    /**
     * One space of names.
     *
     * @param name    tells it from others of the same schema or table
     * @param inTable whether each table has one, rather than the schema
     */
    public record Space(String name, boolean inTable) { }

    /** A space that a schema has once. */
    public static Space inSchema(String name) {
        return new Space(name, false);
    }

    /** A space that each table has. */
    public static Space inTable(String name) {
        return new Space(name, true);
    }

    /** Spaces where all kinds of keys share theirs, and checks share theirs with references. */
    public static NameSpaces of(List<Space> tables, List<Space> keys, List<Space> constraints, List<Space> indexes) {
        return new NameSpaces(tables, keys, keys, constraints, constraints, indexes);
    }

    /** What identifies the spaces that the name of a table belongs to. */
    List<String> ofTable(Table table) {
        return tables.stream().map(space -> identity(space, table)).toList();
    }

    /** What identifies the spaces that a name of something of a table has to be the only one in. */
    List<String> of(Named kind, Table table) {
        List<Space> spaces = switch (kind) {
            case PRIMARY_KEY -> primaryKeys;
            case UNIQUE_KEY -> uniqueKeys;
            case CHECK -> checks;
            case FOREIGN_KEY -> references;
            case INDEX -> indexes;
        };
        return spaces.stream().map(space -> identity(space, table)).toList();
    }

    private static String identity(Space space, Table table) {
        return table.namespace() + "\u0000" + (space.inTable() ? table.name() + "\u0000" : "") + space.name();
    }
}
