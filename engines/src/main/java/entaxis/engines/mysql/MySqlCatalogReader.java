package entaxis.engines.mysql;

import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;

/** The catalog of MySQL. */
public class MySqlCatalogReader implements CatalogReader {
    @Override
    public Target engine() {
        return Target.MYSQL;
    }

    @Override
    public String usualSchema(Connection connection) throws SQLException {
        return Catalog.orEmpty(connection.getCatalog());
    }

    @Override
    public Schema tables(Catalog catalog, String schema) throws SQLException {
        return MySqlCatalog.read(catalog, schema);
    }

    @Override
    public List<Program> programs(Catalog catalog, String schema) throws SQLException {
        return new MySqlPrograms(this).read(catalog, schema);
    }
}
