package entaxis.engines.sqlserver;

import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;

/** The catalog of SQL Server. */
public class SqlServerCatalogReader implements CatalogReader {
    @Override
    public Target engine() {
        return Target.SQLSERVER;
    }

    @Override
    public String usualSchema(Connection connection) throws SQLException {
        return Catalog.orEmpty(connection.getSchema());
    }

    @Override
    public Schema tables(Catalog catalog, String schema) throws SQLException {
        return SqlServerCatalog.read(catalog, schema);
    }

    @Override
    public List<Program> programs(Catalog catalog, String schema) throws SQLException {
        return new SqlServerPrograms(this).read(catalog, schema);
    }
}
