package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * Views, routines and triggers read from real engines, written as a script, and run again: the engine words them the
 * same.
 */
class LiveProgramsTest {
    private static final List<String> TABLES = List.of(
            "CREATE TABLE taxon (code varchar(3) NOT NULL PRIMARY KEY, name varchar(40))",
            "CREATE TABLE accession (accession_no integer NOT NULL PRIMARY KEY, "
                    + "taxon_code varchar(3), weight integer)");

    private static void run(Connection connection, List<String> statements) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (String sql : statements) {
                statement.execute(sql);
            }
        }
    }

    private static Schema comesBack(Target engine, Connection first, Connection second, Optional<String> firstSchema,
            Optional<String> secondSchema, List<String> programs) throws SQLException {
        run(first, TABLES);
        run(first, programs);
        Schema read = LiveCatalog.read(first, engine, firstSchema);
        assertThat(read.programs()).hasSize(programs.size()).allMatch(program -> program.target() == engine);
        Script script = new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT).write(read, "again");
        run(second, script.statements().stream().map(Script.Statement::text).toList());
        assertThat(LiveCatalog.read(second, engine, secondSchema).programs()).isEqualTo(read.programs());
        return read;
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection first = server.getPostgresDatabase().getConnection();
                Connection second = server.getPostgresDatabase().getConnection()) {
            run(first, List.of("CREATE SCHEMA one", "SET search_path TO one"));
            run(second, List.of("CREATE SCHEMA two", "SET search_path TO two"));
            Schema read = comesBack(Target.POSTGRESQL, first, second, Optional.of("one"), Optional.of("two"), List.of(
                    "CREATE FUNCTION twice(n integer) RETURNS integer LANGUAGE sql IMMUTABLE AS $$ SELECT n * 2 $$",
                    "CREATE FUNCTION weighed() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN NEW.weight := "
                            + "coalesce(NEW.weight, 0); RETURN NEW; END $$",
                    "CREATE VIEW heavy AS SELECT accession_no, weight FROM accession WHERE weight > 10",
                    "CREATE MATERIALIZED VIEW counted AS SELECT taxon_code, count(*) AS seeds FROM accession GROUP BY "
                            + "taxon_code",
                    "CREATE TRIGGER weigh BEFORE INSERT ON accession FOR EACH ROW EXECUTE FUNCTION weighed()"));
            assertThat(read.programs()).extracting(Program::kind).containsExactlyInAnyOrder(ProgramKind.FUNCTION,
                    ProgramKind.FUNCTION, ProgramKind.VIEW, ProgramKind.VIEW, ProgramKind.TRIGGER);
            retyped(read, first);
        }
    }

    /**
     * PostgreSQL refuses to change the type of a column that a view shows; the script takes the view away and makes it
     * again.
     */
    private static void retyped(Schema read, Connection connection) throws SQLException {
        Schema wanted = new Schema(read.types(), read.sequences(),
                read.tables().stream().map(table -> !table.name().equals("accession") ? table
                        : table.withColumns(table.columns().stream()
                                .map(column -> column.name().equals("weight")
                                        ? column.withType(((Known) TypeReader.read("bigint")).type()) : column)
                                .toList())).toList(), read.programs());
        Migration migration = Migration.of(read, wanted, Dialect.of(Target.POSTGRESQL), RenameMap.NONE, Fills.NONE);
        run(connection, migration.statements());
        assertThat(LiveCatalog.read(connection, Target.POSTGRESQL, Optional.of("one")).programs())
                .extracting(Program::name)
                .containsExactlyInAnyOrderElementsOf(read.programs().stream().map(Program::name).toList());
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-programs").withAccounts();
                Connection first = server.fresh("p1"); Connection second = server.fresh("p2")) {
            comesBack(Target.MARIADB, first, second, Optional.of("p1"), Optional.of("p2"),
                    List.of("CREATE FUNCTION twice(n integer) RETURNS integer DETERMINISTIC RETURN n * 2",
                    "CREATE PROCEDURE clear_weights() UPDATE accession SET weight = NULL",
                    "CREATE VIEW heavy AS SELECT accession_no, weight FROM accession WHERE weight > 10",
                            "CREATE TRIGGER weigh BEFORE INSERT ON accession FOR EACH ROW SET NEW.weight = "
                                    + "coalesce(NEW.weight, 0)"));
        }
    }

    @Test
    void sqlite() throws SQLException {
        try (Connection first = DriverManager.getConnection("jdbc:sqlite::memory:");
                Connection second = DriverManager.getConnection("jdbc:sqlite::memory:")) {
            List<String> programs = List.of(
                    "CREATE VIEW heavy AS SELECT accession_no, weight FROM accession WHERE weight > 10",
                    "CREATE TRIGGER weigh AFTER INSERT ON accession BEGIN UPDATE accession SET weight = 0 WHERE weight "
                            + "IS NULL; END");
            assertThat(comesBack(Target.SQLITE, first, second, Optional.empty(), Optional.empty(), programs).programs())
                    .extracting(Program::text).isEqualTo(programs);
        }
    }

    @Test
    void h2() throws SQLException {
        try (Connection first = DriverManager.getConnection("jdbc:h2:mem:");
                Connection second = DriverManager.getConnection("jdbc:h2:mem:")) {
            comesBack(Target.H2, first, second, Optional.empty(), Optional.empty(),
                    List.of("CREATE VIEW heavy AS SELECT accession_no, weight FROM accession WHERE weight > 10"));
        }
    }
}
