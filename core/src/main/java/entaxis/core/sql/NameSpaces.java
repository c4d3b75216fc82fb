package entaxis.core.sql;

import entaxis.core.design.Target;
import entaxis.core.schema.Table;
import java.util.List;

/**
 * Within what the name of a constraint or index has to be the only one. ISO/IEC 9075-2, 5.4: constraints within their
 * schema. PostgreSQL manual, CREATE TABLE and CREATE INDEX: constraints within their table, keys and indexes also among
 * the relations of the schema. MySQL manual, CREATE TABLE and “FOREIGN KEY Constraints”: indexes within their table,
 * references and checks within the database; MariaDB manual, CONSTRAINT: checks within their table. SQL Server
 * documentation, “Database identifiers”: constraints among all objects of the schema, indexes within their table.
 * Oracle Database SQL Language Reference, “Database Object Naming Rules”: constraints and indexes have a space each; a
 * key has an index of its name. SQLite, “CREATE INDEX”: indexes among tables. H2 manual, CREATE INDEX: constraints and
 * indexes have a space each within the schema.
 */
final class NameSpaces {
    private final Target engine;

    NameSpaces(Target engine) {
        this.engine = engine;
    }

    /** What has a name beside tables and columns. */
    enum Named { PRIMARY_KEY, UNIQUE_KEY, CHECK, FOREIGN_KEY, INDEX }

    /** The spaces that the name of a table belongs to, as far as constraints and indexes share them. */
    List<String> ofTable(Table table) {
        return switch (engine) {
            case POSTGRESQL, SQLITE, SQLSERVER, ISO -> List.of(schema("objects", table));
            case MYSQL, MARIADB, ORACLE, H2 -> List.of();
        };
    }

    /** The spaces that a name has to be the only one in. */
    List<String> of(Named kind, Table table) {
        boolean key = kind == Named.PRIMARY_KEY || kind == Named.UNIQUE_KEY;
        boolean index = kind == Named.INDEX;
        return switch (engine) {
            case POSTGRESQL -> index ? List.of(schema("objects", table))
                    : key ? List.of(schema("objects", table), within("constraints", table))
                    : List.of(within("constraints", table));
            case MYSQL,
                    MARIADB -> index || key ? List.of(within("indexes", table))
                            : kind == Named.CHECK && engine == Target.MARIADB ? List.of(within("checks", table))
                            : List.of(schema(kind.name(), table));
            case SQLSERVER -> index ? List.of(within("indexes", table))
                    : key ? List.of(schema("objects", table), within("indexes", table))
                    : List.of(schema("objects", table));
            case ORACLE -> index ? List.of(schema("indexes", table))
                    : key ? List.of(schema("constraints", table), schema("indexes", table))
                    : List.of(schema("constraints", table));
            case SQLITE -> index ? List.of(schema("objects", table)) : List.of(within("constraints", table));
            case H2 -> index ? List.of(schema("indexes", table)) : List.of(schema("constraints", table));
            case ISO -> List.of(schema("objects", table));
        };
    }

    private static String schema(String space, Table table) {
        return table.namespace() + "\u0000" + space;
    }

    private static String within(String space, Table table) {
        return table.namespace() + "\u0000" + table.name() + "\u0000" + space;
    }
}
