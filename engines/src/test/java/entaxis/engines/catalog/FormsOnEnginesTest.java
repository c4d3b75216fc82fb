package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * The forms that the manuals give for CREATE and ALTER, one small script for each: what is read must be what the
 * engine's catalog says after it ran the same statements. PostgreSQL 18, MariaDB 11.4, SQLite and H2 manuals.
 */
class FormsOnEnginesTest {
    private static final DifferenceWords WORDS = new DifferenceWords("the engine", "the reading");

    private record Form(String title, String script) { }

    private static List<Form> forms(String engine) throws IOException {
        String all =
                new String(FormsOnEnginesTest.class.getResourceAsStream("/forms/" + engine + ".sql").readAllBytes(),
                        StandardCharsets.UTF_8);
        List<Form> forms = new ArrayList<>();
        for (String part : all.split("(?m)^-- == ")) {
            if (!part.isBlank()) {
                int line = part.indexOf('\n');
                forms.add(new Form(part.substring(0, line).strip(), part.substring(line + 1)));
            }
        }
        return forms;
    }

    private static void run(Connection connection, Form form, Target engine) {
        for (String one : StatementTexts.of(form.script(), engine)) {
            try (Statement statement = connection.createStatement()) {
                statement.execute(one);
            } catch (SQLException e) {
                throw new AssertionError(form.title() + ": " + e.getMessage() + "\n" + one, e);
            }
        }
    }

    /** What is apart, in sentences; views and routines are compared elsewhere. */
    private static List<String> apart(Form form, Target engine, Schema catalog) {
        Dialect dialect = Dialect.of(engine);
        Reading reading = ScriptReader.read(form.script(), engine);
        List<String> wrong = new ArrayList<>(
                reading.notUnderstood().stream().map(part -> form.title() + ": not understood: " + part).toList());
        Schema there = EngineSchema.of(tables(catalog), engine, dialect);
        Comparison.of(there, EngineSchema.of(tables(reading.schema()), engine, dialect), dialect, RenameMap.NONE)
                .differences()
                .forEach(difference -> wrong.add(form.title() + ": " + WORDS.sentence(difference) + " " + difference));
        return wrong;
    }

    private static Schema tables(Schema schema) {
        return new Schema(schema.types(), schema.sequences(), schema.tables(), List.of());
    }

    @Test
    void postgreSql() throws Exception {
        List<String> wrong = new ArrayList<>();
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            int number = 0;
            for (Form form : forms("postgresql")) {
                String schema = "form" + number++;
                try (Connection connection = server.getPostgresDatabase().getConnection();
                        Statement statement = connection.createStatement()) {
                    statement.execute("create schema " + schema);
                    statement.execute("set search_path to " + schema);
                    run(connection, form, Target.POSTGRESQL);
                    wrong.addAll(apart(form, Target.POSTGRESQL,
                            LiveCatalog.read(connection, Target.POSTGRESQL, Optional.of(schema))));
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void mariaDb() throws Exception {
        List<String> wrong = new ArrayList<>();
        try (RealMariaDb server = new RealMariaDb("maria-forms")) {
            for (Form form : forms("mariadb")) {
                try (Connection connection = server.fresh("forms")) {
                    run(connection, form, Target.MARIADB);
                    Schema catalog = LiveCatalog.read(connection, Target.MARIADB, Optional.of("forms"));
                    wrong.addAll(apart(form, Target.MARIADB, catalog));
                    String dump = server.dump("forms");
                    assertThat(dump).contains("Dump completed");
                    wrong.addAll(apart(new Form("dump of " + form.title(), dump), Target.MARIADB, catalog));
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void sqlite() throws Exception {
        assertThat(inMemory("sqlite", "jdbc:sqlite::memory:", Target.SQLITE)).isEmpty();
    }

    @Test
    void h2() throws Exception {
        assertThat(inMemory("h2", "jdbc:h2:mem:", Target.H2)).isEmpty();
    }

    @Test
    void duckDb() throws Exception {
        assertThat(inMemory("duckdb", "jdbc:duckdb:", Target.DUCKDB)).isEmpty();
    }

    private static List<String> inMemory(String file, String url, Target engine) throws IOException, SQLException {
        List<String> wrong = new ArrayList<>();
        for (Form form : forms(file)) {
            try (Connection connection = DriverManager.getConnection(url)) {
                run(connection, form, engine);
                Schema catalog = LiveCatalog.read(connection, engine, Optional.empty());
                wrong.addAll(apart(form, engine, catalog));
                if (engine == Target.H2) {
                    wrong.addAll(apart(new Form("script of " + form.title(), h2Script(connection)), engine, catalog));
                }
            }
        }
        return wrong;
    }

    /** H2 manual, SCRIPT: what makes a database again. */
    private static String h2Script(Connection connection) throws SQLException {
        StringBuilder script = new StringBuilder();
        try (Statement statement = connection.createStatement(); ResultSet lines = statement.executeQuery("SCRIPT")) {
            while (lines.next()) {
                script.append(lines.getString(1)).append('\n');
            }
        }
        return script.toString();
    }
}
