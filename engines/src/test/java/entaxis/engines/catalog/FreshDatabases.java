package entaxis.engines.catalog;

import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;

/** Where a test gets empty databases from. */
interface FreshDatabases {
    /** Each in memory, and gone with its connection. */
    FreshDatabases SQLITE = name -> DriverManager.getConnection("jdbc:sqlite::memory:");
    /** The same. */
    FreshDatabases H2 = name -> DriverManager.getConnection("jdbc:h2:mem:");

    /** The same. */
    FreshDatabases DUCKDB = name -> DriverManager.getConnection("jdbc:duckdb:");

    /** A connection to an empty database; the name is not in use yet. */
    Connection fresh(String name) throws SQLException;

    /** Those of a server that was started for the test. */
    static FreshDatabases of(EmbeddedPostgres server) {
        return name -> {
            try (Connection connection = server.getPostgresDatabase().getConnection();
                    Statement statement = connection.createStatement()) {
                statement.execute("create database " + name);
            }
            return server.getDatabase("postgres", name).getConnection();
        };
    }
}
