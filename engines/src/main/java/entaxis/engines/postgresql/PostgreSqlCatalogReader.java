package entaxis.engines.postgresql;

import entaxis.core.design.Target;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;

/** The catalog of PostgreSQL. */
public class PostgreSqlCatalogReader implements CatalogReader {
    @Override
    public Target engine() {
        return Target.POSTGRESQL;
    }

    @Override
    public String usualSchema(Connection connection) throws SQLException {
        return "public";
    }

    @Override
    public Schema tables(Catalog catalog, String schema) throws SQLException {
        return PostgreSqlCatalog.read(catalog, schema);
    }

    @Override
    public List<Program> programs(Catalog catalog, String schema) throws SQLException {
        return new PostgreSqlPrograms(this).read(catalog, schema);
    }
}
