package entaxis.engines.catalog;

import entaxis.core.schema.Schema;
import entaxis.core.targets.ByEngine;
import entaxis.core.targets.Target;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLFeatureNotSupportedException;
import java.util.Optional;

/** Reads the catalog of whichever engine is at the other end. */
public final class LiveCatalog {
    private static final ByEngine<CatalogReader> READERS = ByEngine.load(CatalogReader.class, CatalogReader::engine);

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
        CatalogReader reader = READERS.find(engine).orElseThrow(() -> new SQLFeatureNotSupportedException(
                engine.title() + " is no database; say which engine answers at this address"));
        Catalog catalog = new Catalog(connection, progress);
        String name = schema.isPresent() ? reader.schemaName(schema.get())
                : reader.schemaName(reader.usualSchema(connection));
        Schema tables = reader.tables(catalog, name);
        return new Schema(tables.types(), tables.sequences(), tables.tables(), reader.programs(catalog, name),
                tables.extensions());
    }
}
