package entaxis.engines.catalog;

import entaxis.core.design.Target;
import entaxis.core.schema.Schema;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLFeatureNotSupportedException;
import java.util.Optional;

/** Reads the catalog of whichever engine is at the other end. */
public final class LiveCatalog {
    private LiveCatalog() { }

    /**
     * All of a schema: types, sequences and tables, and views, routines and triggers as the engine words them.
     *
     * @param schema the schema; the engine's usual one if left out
     * @throws SQLException if the catalog cannot be read, or is one of an engine whose catalog is not read yet
     */
    public static Schema read(Connection connection, Target engine, Optional<String> schema) throws SQLException {
        String name = schema.orElse(usual(connection, engine));
        Schema tables = switch (engine) {
            case POSTGRESQL -> PostgreSqlCatalog.read(connection, name);
            case MYSQL, MARIADB -> MariaDbCatalog.read(connection, name, engine);
            case SQLITE -> SqliteCatalog.read(connection);
            case H2 -> H2Catalog.read(connection, name);
            case SQLSERVER, ORACLE, ISO -> throw new SQLFeatureNotSupportedException("the catalog of " + engine.title() + " is not read yet; read a script of it instead");
        };
        return new Schema(tables.types(), tables.sequences(), tables.tables(), LivePrograms.read(connection, engine, name));
    }

    private static String usual(Connection connection, Target engine) throws SQLException {
        return switch (engine) {
            case POSTGRESQL -> "public";
            case H2 -> "PUBLIC";
            case MYSQL, MARIADB -> connection.getCatalog();
            case SQLITE, SQLSERVER, ORACLE, ISO -> "";
        };
    }
}
