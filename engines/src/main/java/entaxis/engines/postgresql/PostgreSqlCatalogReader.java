package entaxis.engines.postgresql;

import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.catalog.CatalogReader;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;

/** The catalog of PostgreSQL. */
public class PostgreSqlCatalogReader implements CatalogReader {
    /** PostgreSQL manual, pg_extension; the one that every database has says nothing. */
    private static final String EXTENSIONS =
            "select extname from pg_extension where extname <> 'plpgsql' order by oid";

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
        List<String> extensions = new ArrayList<>();
        catalog.each(EXTENSIONS, row -> extensions.add(row.getString(1)));
        return PostgreSqlCatalog.read(catalog, schema).with(extensions);
    }

    @Override
    public List<Program> programs(Catalog catalog, String schema) throws SQLException {
        return new PostgreSqlPrograms(this).read(catalog, schema);
    }
}
