package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.reading.SameSchema;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.duckdb.DuckDbCatalog;
import entaxis.engines.h2.H2Catalog;
import entaxis.engines.mariadb.MariaDbCatalog;
import entaxis.engines.postgresql.PostgreSqlCatalog;
import entaxis.engines.sqlite.SqliteCatalog;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import org.junit.jupiter.api.Test;

/**
 * Scripts of random designs run on real engines; what the catalog then says must be the schema that was written, with
 * no difference. MigrationsOnEnginesTest does so with more.
 */
class RandomDesignsOnEnginesTest {
    private static final int DESIGNS = Rounds.of(10);

    private interface Read {
        Schema from(Connection connection) throws SQLException;
    }

    private interface Fresh {
        Connection of(int seed) throws SQLException;
    }

    private static void arrive(Target engine, Fresh fresh, Read read) throws SQLException {
        Dialect dialect = Dialect.of(engine);
        for (int seed = 2000; seed < 2000 + DESIGNS; seed++) {
            Schema derived = Derivation.of(RandomDesigns.design(seed, 3 + seed % 11)).schema();
            Schema schema = new Schema(derived.types(),
                    derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList());
            Script script = new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(schema, "random");
            try (Connection connection = fresh.of(seed); Statement statement = connection.createStatement()) {
                for (Script.Statement one : script.statements()) {
                    try {
                        statement.execute(one.text());
                    } catch (SQLException e) {
                        throw new AssertionError(
                                engine + " " + seed + " refuses: " + e.getMessage() + "\n" + one.text(), e);
                    }
                }
                assertThat(SameSchema.asTheCatalogSays(DialectAdapter.fit(schema, dialect).schema(),
                        read.from(connection), engine)).as("%s %d\n%s", engine, seed, script.text()).isEmpty();
            }
        }
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            arrive(Target.POSTGRESQL, seed -> {
                Connection connection = server.getPostgresDatabase().getConnection();
                try (Statement statement = connection.createStatement()) {
                    statement.execute("create schema s" + seed);
                    statement.execute("set search_path to s" + seed);
                }
                return connection;
            }, connection -> PostgreSqlCatalog.read(Catalog.of(connection), connection.getSchema()));
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-random")) {
            arrive(Target.MARIADB, seed -> server.fresh("s"),
                    connection -> MariaDbCatalog.read(Catalog.of(connection), "s"));
        }
    }

    @Test
    void sqlite() throws SQLException {
        arrive(Target.SQLITE, seed -> DriverManager.getConnection("jdbc:sqlite::memory:"),
                own -> SqliteCatalog.read(Catalog.of(own)));
    }

    @Test
    void h2() throws SQLException {
        arrive(Target.H2, seed -> DriverManager.getConnection("jdbc:h2:mem:"),
                connection -> H2Catalog.read(Catalog.of(connection), "PUBLIC"));
    }

    @Test
    void duckDb() throws SQLException {
        arrive(Target.DUCKDB, seed -> DriverManager.getConnection("jdbc:duckdb:"),
                connection -> DuckDbCatalog.read(Catalog.of(connection), "main"));
    }
}
