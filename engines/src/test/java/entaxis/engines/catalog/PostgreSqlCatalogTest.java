package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.random.RandomDesigns;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.postgresql.PostgreSqlCatalog;
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

    /** The server makes one key of equal ones in one CREATE TABLE, and so does the reader, under the same name. */
    @Test
    void equalKeysAreMergedAsTheServerDoes() throws SQLException {
        List<String> scripts = List.of("CREATE TABLE k1 (id int PRIMARY KEY, a int UNIQUE, b int, UNIQUE (id), "
                + "CONSTRAINT one_a UNIQUE (a), UNIQUE (b, a), UNIQUE (a, b))",
                "CREATE TABLE k2 (id int UNIQUE, a int UNIQUE, UNIQUE (a), PRIMARY KEY (id))",
                "CREATE TABLE k3 (id int, CONSTRAINT named UNIQUE (id), PRIMARY KEY (id))",
                "CREATE TABLE k4 (id int CONSTRAINT first UNIQUE, CONSTRAINT second UNIQUE (id))",
                "CREATE TABLE k5 (id int UNIQUE); ALTER TABLE k5 ADD UNIQUE (id)");
        try (Connection connection = server.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("create schema equal_keys");
            statement.execute("set search_path to equal_keys");
            for (String script : scripts) {
                statement.execute(script);
            }
            Schema held = PostgreSqlCatalog.read(Catalog.of(connection), "equal_keys");
            Schema read = ScriptReader.read(String.join(";\n", scripts), Target.POSTGRESQL).schema();
            for (int i = 0; i < scripts.size(); i++) {
                assertThat(keys(read, i)).as(scripts.get(i)).isEqualTo(keys(held, i));
            }
        }
    }

    private static String keys(Schema schema, int number) {
        Table table = schema.table("k" + (number + 1)).orElseThrow();
        return table.primaryKey() + " " + table.uniqueKeys().stream().map(Object::toString).sorted().toList();
    }
}
