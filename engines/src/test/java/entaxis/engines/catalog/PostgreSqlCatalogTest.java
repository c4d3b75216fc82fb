package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Target;
import entaxis.core.random.RandomDesigns;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The generated script run on a real PostgreSQL, and what its catalog then says held against the derived schema. */
class PostgreSqlCatalogTest {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);
    private static EmbeddedPostgres server;

    @BeforeAll
    static void start() throws IOException {
        server = EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile())
                .start();
    }

    @AfterAll
    static void stop() throws IOException {
        server.close();
    }

    @Test
    void droppingFirstLetsAScriptRunTwice() throws SQLException {
        try (Connection connection = server.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement()) {
            Schema schema = Derivation.of(RandomDesigns.design(5, 15)).schema();
            Script script = new ScriptWriter(DIALECT, new ScriptOptions(true, true, Optional.of("twice"))).write(schema,
                    "twice");
            for (int run = 0; run < 2; run++) {
                statement.execute("create schema if not exists twice");
                for (Script.Statement part : script.statements()) {
                    statement.execute(part.text());
                }
            }
            assertThat(PostgreSqlCatalog.read(Catalog.of(connection), "twice").tables()).isNotEmpty();
        }
    }

    /**
     * The word list comes from the server itself: every word that it reserves must come out quoted, so that it can be a
     * column.
     */
    @Test
    void everyKeyWordCanBeAColumn() throws SQLException {
        try (Connection connection = server.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement()) {
            List<String> words = new ArrayList<>();
            try (ResultSet rows = statement.executeQuery("select word from pg_get_keywords()")) {
                while (rows.next()) {
                    words.add(rows.getString(1));
                }
            }
            assertThat(words).hasSizeGreaterThan(400);
            statement.execute("create schema words");
            for (String word : words) {
                statement.execute(
                        "create table words." + DIALECT.name("t_" + word) + " (" + DIALECT.name(word) + " integer)");
                statement.execute("create table words." + DIALECT.name(word) + " (a integer)");
            }
        }
    }
}
