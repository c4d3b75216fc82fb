package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A table is rebuilt beside tables and views that are called as its copy would be: they and all rows stay. */
class CopiesOnEnginesTest {
    private static final String SCRIPT = """
            CREATE TABLE jar (code integer PRIMARY KEY, grams integer);
            CREATE TABLE jar_new (code integer PRIMARY KEY);
            CREATE TABLE jar_old (code integer PRIMARY KEY);
            CREATE VIEW jar_new_2 AS SELECT code FROM jar_new;
            CREATE VIEW jar_old_2 AS SELECT code FROM jar_old;
            """;

    private static void rebuilds(Target engine, Connection connection) throws SQLException {
        Dialect dialect = Dialect.of(engine);
        try (Statement statement = connection.createStatement()) {
            for (String sql : SCRIPT.split(";\\s*")) {
                statement.execute(sql);
            }
            statement.execute("INSERT INTO jar VALUES (1, 20), (2, 35)");
            statement.execute("INSERT INTO jar_new VALUES (7)");
            statement.execute("INSERT INTO jar_old VALUES (8)");
            Schema found = LiveCatalog.read(connection, engine, Optional.of("main"));
            String changed = SCRIPT.replace("grams integer", "grams numeric(6,2) NOT NULL");
            Schema wanted = EngineSchema.of(ScriptReader.read(changed, engine).schema(), engine, dialect);
            Migration migration = Migration.of(found, wanted, dialect, RenameMap.NONE, Fills.NONE);
            assertThat(migration.statements()).anyMatch(sql -> sql.startsWith("CREATE TABLE jar_"));
            for (String sql : migration.statements()) {
                statement.execute(sql);
            }
            Schema after = LiveCatalog.read(connection, engine, Optional.of("main"));
            assertThat(Comparison.of(after, wanted, dialect, RenameMap.NONE).differences())
                    .as(migration.text("jar")).isEmpty();
            assertThat(sum(statement, "jar")).isEqualTo(3);
            assertThat(sum(statement, "jar_new_2")).isEqualTo(7);
            assertThat(sum(statement, "jar_old_2")).isEqualTo(8);
        }
    }

    private static int sum(Statement statement, String relation) throws SQLException {
        try (ResultSet row = statement.executeQuery("SELECT sum(code) FROM " + relation)) {
            row.next();
            return row.getInt(1);
        }
    }

    @Test
    void onSqlite() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite::memory:")) {
            rebuilds(Target.SQLITE, connection);
        }
    }

    @Test
    void onDuckDb() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:")) {
            rebuilds(Target.DUCKDB, connection);
        }
    }
}
