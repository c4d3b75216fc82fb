package entaxis.engines.oracle;

import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Locale;

/** The catalog of Oracle. */
public class OracleCatalogReader implements CatalogReader {
    @Override
    public Target engine() {
        return Target.ORACLE;
    }

    @Override
    public String usualSchema(Connection connection) throws SQLException {
        return Catalog.orEmpty(connection.getSchema());
    }

    /** Oracle Database SQL Language Reference, “Database Object Naming Rules”: names without quotes are in capitals. */
    @Override
    public String schemaName(String given) {
        return given.equals(given.toLowerCase(Locale.ROOT)) ? given.toUpperCase(Locale.ROOT) : given;
    }

    @Override
    public Schema tables(Catalog catalog, String schema) throws SQLException {
        return OracleCatalog.read(catalog, schema);
    }

    @Override
    public List<Program> programs(Catalog catalog, String schema) throws SQLException {
        return new OraclePrograms(this).read(catalog, schema);
    }
}
