package entaxis.engines.h2;

import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;

/** The catalog of H2. */
public class H2CatalogReader implements CatalogReader {
    @Override
    public Target engine() {
        return Target.H2;
    }

    @Override
    public String usualSchema(Connection connection) throws SQLException {
        return "PUBLIC";
    }

    @Override
    public Schema tables(Catalog catalog, String schema) throws SQLException {
        return H2Catalog.read(catalog, schema);
    }

    @Override
    public List<Program> programs(Catalog catalog, String schema) throws SQLException {
        return new H2Programs(this).read(catalog, schema);
    }
}
