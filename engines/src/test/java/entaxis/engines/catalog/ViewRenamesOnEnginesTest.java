package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.CanonicalQuery;
import entaxis.core.reconcile.ProgramRenaming;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.targets.Target;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Engines that rewrite their views and triggers when a table gets another name make of them what is foretold. */
class ViewRenamesOnEnginesTest {
    private static final List<String> TABLES = List.of("CREATE TABLE lot (no integer, lot integer, jar integer)",
            "CREATE TABLE jar (no integer, lot integer)");
    private static final List<String> QUERIES = List.of("SELECT no FROM lot",
            "SELECT lot.lot, lot.no AS lot_no FROM lot",
            "SELECT l.lot FROM lot l WHERE l.no > 1", "SELECT lot.no FROM jar lot", "SELECT lot.* FROM lot",
            "SELECT jar.lot FROM jar JOIN lot ON lot.no = jar.lot",
            "SELECT lot FROM jar WHERE EXISTS (SELECT 1 FROM lot WHERE lot.no = jar.lot)",
            "SELECT a FROM (SELECT lot AS a FROM lot) AS lot",
            "WITH lot AS (SELECT no, lot FROM jar) SELECT lot.lot FROM lot",
            "SELECT no FROM lot UNION SELECT lot FROM jar", "SELECT lot.lot, count(*) AS n FROM lot GROUP BY lot.lot");

    private static final List<String> SQLITE_TRIGGERS = List.of("""
            AFTER INSERT ON lot BEGIN UPDATE lot SET lot = lot + 1 WHERE lot.no = new.no AND lot > 3; END""", """
            BEFORE UPDATE OF lot ON lot WHEN new.lot IS NOT old.lot
            BEGIN INSERT INTO jar (no, lot) SELECT lot.lot, lot.no FROM lot, jar lot2 WHERE lot.lot = 1; END""", """
            AFTER DELETE ON jar BEGIN
            DELETE FROM lot WHERE lot IN (SELECT jar.lot FROM jar JOIN lot ON lot.no = jar.lot);
            UPDATE OR IGNORE lot SET no = (SELECT max(lot) FROM lot), lot = 2; END""");
    private static final List<String> POSTGRESQL_TRIGGERS = List.of(
            "AFTER UPDATE OF lot ON lot FOR EACH ROW WHEN (new.lot IS DISTINCT FROM old.lot) EXECUTE FUNCTION lot()",
            "BEFORE INSERT ON lot FOR EACH STATEMENT EXECUTE FUNCTION lot()",
            "AFTER DELETE ON jar REFERENCING OLD TABLE AS lot FOR EACH STATEMENT EXECUTE FUNCTION lot()");

    private static void triggers(Connection connection, Target engine, List<String> triggers) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (int i = 0; i < triggers.size(); i++) {
                statement.execute("CREATE TRIGGER t" + i + " " + triggers.get(i));
            }
        }
        Map<String, String> before = texts(connection, engine, ProgramKind.TRIGGER);
        try (Statement statement = connection.createStatement()) {
            statement.execute("ALTER TABLE lot RENAME TO batch");
        }
        Map<String, String> after = texts(connection, engine, ProgramKind.TRIGGER);
        assertThat(before).hasSameSizeAs(triggers);
        before.forEach((trigger, text) -> assertThat(ProgramRenaming.text(ProgramKind.TRIGGER, engine, text,
                Map.of("lot", "batch"))).as(trigger).isEqualTo(after.get(trigger).replace("\"batch\"", "batch")));
    }

    private static Map<String, String> texts(Connection connection, Target engine, ProgramKind kind)
            throws SQLException {
        return LiveCatalog.read(connection, engine, Optional.empty()).programs().stream()
                .filter(program -> program.kind() == kind).collect(Collectors.toMap(Program::name, Program::text));
    }

    private static void check(Connection connection, Target engine) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (String table : TABLES) {
                statement.execute(table);
            }
            for (int i = 0; i < QUERIES.size(); i++) {
                statement.execute("CREATE VIEW v" + i + " AS " + QUERIES.get(i));
            }
        }
        Map<String, String> before = texts(connection, engine);
        try (Statement statement = connection.createStatement()) {
            statement.execute("ALTER TABLE lot RENAME TO batch");
        }
        Map<String, String> after = texts(connection, engine);
        assertThat(before).hasSameSizeAs(QUERIES);
        before.forEach((view, text) -> {
            String foretold = ProgramRenaming.text(ProgramKind.VIEW, engine, text, Map.of("lot", "batch"));
            assertThat(CanonicalQuery.sameView(foretold, after.get(view)))
                    .as("%s\nwas %s\nforetold %s\nis %s", view, text, foretold, after.get(view)).contains(true);
        });
    }

    private static Map<String, String> texts(Connection connection, Target engine) throws SQLException {
        return LiveCatalog.read(connection, engine, Optional.empty()).programs().stream()
                .collect(Collectors.toMap(Program::name, Program::text));
    }

    @Test
    void sqlite() throws SQLException {
        try (Connection connection = FreshDatabases.SQLITE.fresh("")) {
            check(connection, Target.SQLITE);
        }
    }

    @Test
    void triggersOfSqlite() throws SQLException {
        try (Connection connection = FreshDatabases.SQLITE.fresh("")) {
            tables(connection);
            triggers(connection, Target.SQLITE, SQLITE_TRIGGERS);
        }
    }

    @Test
    void triggersOfPostgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection()) {
            tables(connection);
            try (Statement statement = connection.createStatement()) {
                statement.execute("CREATE FUNCTION lot() RETURNS trigger LANGUAGE plpgsql AS 'BEGIN RETURN NULL; END'");
            }
            triggers(connection, Target.POSTGRESQL, POSTGRESQL_TRIGGERS);
        }
    }

    private static void tables(Connection connection) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (String table : TABLES) {
                statement.execute(table);
            }
        }
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection()) {
            check(connection, Target.POSTGRESQL);
        }
    }
}
