package entaxis.engines.sqlite;

import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;

/** The catalog of SQLite. */
public class SqliteCatalogReader implements CatalogReader {
    @Override
    public Target engine() {
        return Target.SQLITE;
    }

    @Override
    public String usualSchema(Connection connection) throws SQLException {
        return "";
    }

    @Override
    public Schema tables(Catalog catalog, String schema) throws SQLException {
        return SqliteCatalog.read(catalog);
    }

    @Override
    public List<Program> programs(Catalog catalog, String schema) throws SQLException {
        return new SqlitePrograms(this).read(catalog);
    }
}
