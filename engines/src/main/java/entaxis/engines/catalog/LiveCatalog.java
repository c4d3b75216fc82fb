package entaxis.engines.catalog;

import entaxis.core.design.Target;
import entaxis.core.schema.Schema;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLFeatureNotSupportedException;
import java.util.Locale;
import java.util.Optional;

/** Reads the catalog of whichever engine is at the other end. */
public final class LiveCatalog {
    private LiveCatalog() { }

    /**
     * All of a schema: types, sequences and tables, and views, routines and triggers as the engine words them.
     *
     * @param schema the schema; the engine's usual one if left out
     * @throws SQLException if the catalog cannot be read, or no engine is named
     */
    public static Schema read(Connection connection, Target engine, Optional<String> schema) throws SQLException {
        return read(connection, engine, schema, CatalogProgress.NONE);
    }

    /**
     * The same, telling how far it has come.
     *
     * @throws SQLException also if who hears of it wants no more
     */
    public static Schema read(Connection connection, Target engine, Optional<String> schema, CatalogProgress progress)
            throws SQLException {
        Catalog catalog = new Catalog(connection, progress);
        String given = schema.orElse(usual(connection, engine));
        String name = engine == Target.ORACLE && given.equals(given.toLowerCase(Locale.ROOT))
                ? given.toUpperCase(Locale.ROOT) : given;
        Schema tables = switch (engine) {
            case POSTGRESQL -> PostgreSqlCatalog.read(catalog, name);
            case MYSQL, MARIADB -> MariaDbCatalog.read(catalog, name, engine);
            case SQLITE -> SqliteCatalog.read(catalog);
            case H2 -> H2Catalog.read(catalog, name);
            case SQLSERVER -> SqlServerCatalog.read(catalog, name);
            case ORACLE -> OracleCatalog.read(catalog, name);
            case ISO -> throw new SQLFeatureNotSupportedException(
                    "ISO SQL is no database; say which engine answers at this address");
        };
        return new Schema(tables.types(), tables.sequences(), tables.tables(),
                LivePrograms.read(catalog, engine, name));
    }

    private static String usual(Connection connection, Target engine) throws SQLException {
        return switch (engine) {
            case POSTGRESQL -> "public";
            case H2 -> "PUBLIC";
            case MYSQL, MARIADB -> connection.getCatalog();
            case SQLSERVER, ORACLE -> Catalog.orEmpty(connection.getSchema());
            case SQLITE, ISO -> "";
        };
    }
}
