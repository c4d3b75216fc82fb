package entaxis.engines.mariadb;

import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.mysql.MySqlCatalogReader;
import java.sql.SQLException;

/** The catalog of MariaDB: that of MySQL but for what is said here. */
public final class MariaDbCatalogReader extends MySqlCatalogReader {
    @Override
    public Target engine() {
        return Target.MARIADB;
    }

    @Override
    public Schema tables(Catalog catalog, String schema) throws SQLException {
        return MariaDbCatalog.read(catalog, schema);
    }
}
