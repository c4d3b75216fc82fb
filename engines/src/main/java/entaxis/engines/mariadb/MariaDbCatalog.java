package entaxis.engines.mariadb;

import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.Catalog;
import entaxis.engines.mysql.MySqlCatalog;
import java.sql.SQLException;

/** Reads the tables and sequences of MariaDB, whose catalog is that of MySQL with some columns more. */
public final class MariaDbCatalog extends MySqlCatalog {
    private MariaDbCatalog() {
        super(Target.MARIADB, true);
    }

    /**
     * All tables and sequences of a database.
     *
     * @throws SQLException if the catalog cannot be read
     */
    public static Schema read(Catalog catalog, String database) throws SQLException {
        return new MariaDbCatalog().schema(catalog, database);
    }
}
