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
     * All tables of a schema.
     *
     * @param schema the schema; the engine's usual one if left out
     * @throws SQLException if the catalog cannot be read, or is one of an engine whose catalog is not read yet
     */
    public static Schema read(Connection connection, Target engine, Optional<String> schema) throws SQLException {
        return switch (engine) {
            case POSTGRESQL -> PostgreSqlCatalog.read(connection, schema.orElse("public"));
            case MYSQL, MARIADB -> MariaDbCatalog.read(connection, schema.orElse(connection.getCatalog()), engine);
            case SQLITE -> SqliteCatalog.read(connection);
            case H2 -> H2Catalog.read(connection, schema.orElse("PUBLIC"));
            case SQLSERVER, ORACLE, ISO -> throw new SQLFeatureNotSupportedException("the catalog of " + engine.title() + " is not read yet; read a script of it instead");
        };
    }
}
