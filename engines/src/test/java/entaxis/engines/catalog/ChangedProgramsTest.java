package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reconcile.AgreedPrograms;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/**
 * Real engines reword views and routines: that is no difference, a change is one. PostgreSQL manual, pg_get_viewdef;
 * MariaDB manual, SHOW CREATE VIEW.
 */
class ChangedProgramsTest {
    private static final List<String> TABLES = List.of(
            "CREATE TABLE taxon (code varchar(3) NOT NULL PRIMARY KEY, name varchar(40))",
            "CREATE TABLE accession (accession_no integer NOT NULL PRIMARY KEY, taxon_code varchar(3), weight "
                    + "numeric(9,2), taken date)");
    /** Queries, and what makes another one of each. */
    private static final Map<String, String> QUERIES = Map.ofEntries(
            Map.entry("SELECT accession_no, weight FROM accession WHERE weight > 10", "10=11"),
            Map.entry("SELECT accession_no FROM accession WHERE weight BETWEEN 1 AND 5", "5=6"),
            Map.entry(
                    "SELECT a.accession_no, t.name AS taxon_name FROM accession a JOIN taxon t ON t.code = "
                            + "a.taxon_code",
                    "taxon_name=title"),
            Map.entry(
                    "SELECT taxon_code, count(*) AS seeds, max(weight) FROM accession GROUP BY taxon_code HAVING "
                            + "count(*) > 2",
                    "max(weight)=max(accession_no)"),
            Map.entry("SELECT accession_no FROM accession WHERE taxon_code IN ('abc', 'def') AND weight IS NOT NULL",
                    "def=xyz"),
            Map.entry("SELECT code, upper(name), coalesce(name, 'none') AS known FROM taxon", "'none'='nothing'"),
            Map.entry("SELECT code, CASE WHEN name LIKE 'A%' THEN 'early' ELSE 'late' END AS part FROM taxon",
                    "late=later"),
            Map.entry("SELECT cast(weight AS decimal(7,1)) AS rounded, -1 AS sign FROM accession", "rounded=near"),
            Map.entry("SELECT code FROM taxon UNION ALL SELECT taxon_code FROM accession WHERE weight <> 0",
                    "FROM taxon UNION=FROM taxon WHERE name IS NULL UNION"),
            Map.entry(
                    "SELECT accession_no FROM accession a WHERE EXISTS (SELECT 1 FROM taxon t WHERE t.code = "
                            + "a.taxon_code AND t.name = 'Brizella ostra')",
                    "ostra=minor"),
            Map.entry("SELECT accession_no, taken FROM accession WHERE taken >= DATE '2026-01-01' ORDER BY 2, 1",
                    ", taken FROM=, weight FROM"),
            Map.entry(
                    "WITH heavy AS (SELECT accession_no FROM accession WHERE weight > 100) SELECT accession_no FROM "
                            + "heavy",
                    "heavy=light"));

    private interface Reads {
        Schema schema() throws SQLException;
    }

    private static Schema only(Program program) {
        return new Schema(List.of(), List.of(), List.of(), List.of(program));
    }

    private static List<Difference> apart(Program wanted, Program live, AgreedPrograms agreed) {
        Dialect dialect = Dialect.of(wanted.target());
        return Comparison.of(only(live), EngineSchema.against(only(wanted), only(live), dialect, agreed), dialect,
                RenameMap.NONE).differences();
    }

    private static void views(Connection connection, Target engine, Reads reads) throws SQLException {
        Dialect dialect = Dialect.of(engine);
        List<Program> asked = new ArrayList<>();
        List<Program> others = new ArrayList<>();
        try (Statement statement = connection.createStatement()) {
            for (String table : TABLES) {
                statement.execute(table);
            }
            for (Map.Entry<String, String> query : QUERIES.entrySet()) {
                String text = "CREATE VIEW v" + asked.size() + " AS " + query.getKey();
                statement.execute(text);
                String[] change = query.getValue().split("=", 2);
                asked.add(new Program(ProgramKind.VIEW, "", "v" + asked.size(), engine, text));
                others.add(asked.getLast().worded(text.replace(change[0], change[1])));
            }
        }
        Map<String, Program> live = reads.schema().programs().stream().collect(
                Collectors.toMap(program -> program.name().toLowerCase(java.util.Locale.ROOT), program -> program));
        for (int i = 0; i < asked.size(); i++) {
            Program wanted = asked.get(i);
            Program own = live.get("v" + i);
            assertThat(others.get(i).text()).isNotEqualTo(wanted.text());
            assertThat(apart(wanted, own, AgreedPrograms.NONE)).as("%s is %s", wanted.text(), own.text()).isEmpty();
            assertThat(apart(others.get(i), own, AgreedPrograms.NONE))
                    .as("%s is not %s", others.get(i).text(), own.text()).hasSize(1);
            AgreedPrograms agreed = new AgreedPrograms(List.of(own),
                    AgreedPrograms.remembered(only(wanted), only(own), dialect, AgreedPrograms.NONE));
            assertThat(apart(wanted, own, agreed)).isEmpty();
            assertThat(apart(wanted, own.worded(own.text() + " LIMIT 1"), agreed)).as("the database changed it")
                    .hasSize(1);
            assertThat(apart(wanted.worded(wanted.text() + " LIMIT 1"), own, agreed)).as("the design changed it")
                    .hasSize(1);
        }
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement()) {
            views(connection, Target.POSTGRESQL,
                    () -> LiveCatalog.read(connection, Target.POSTGRESQL, Optional.empty()));
            routines(statement, Target.POSTGRESQL,
                    () -> LiveCatalog.read(connection, Target.POSTGRESQL, Optional.empty()), List.of(
                            new Routine(ProgramKind.FUNCTION, "weighed",
                                    "CREATE FUNCTION weighed() RETURNS trigger LANGUAGE plpgsql AS $body$ BEGIN IF "
                                            + "NEW.weight < 0 THEN NEW.weight := coalesce(NEW.weight, 0); END IF; "
                                            + "RETURN NEW; END $body$",
                            ", 0);~, 1);", "< 0~<= 0"),
                            new Routine(ProgramKind.FUNCTION, "twice",
                                    "CREATE FUNCTION twice(n int, more varchar(9) DEFAULT 'x') RETURNS int8 LANGUAGE "
                                            + "sql IMMUTABLE AS 'SELECT n * 2::bigint'",
                                    "n * 2~n + 2", "int8~numeric", "IMMUTABLE~STABLE", "n int~n smallint"),
                            new Routine(ProgramKind.TRIGGER, "weigh",
                                    "CREATE TRIGGER weigh BEFORE INSERT OR UPDATE ON accession FOR EACH ROW WHEN "
                                            + "(NEW.weight < 5) EXECUTE FUNCTION weighed()",
                                    "BEFORE~AFTER", "INSERT OR UPDATE~INSERT", "< 5~<= 5", "ROW~STATEMENT")));
        }
    }

    /**
     * A routine or trigger, and what makes another one of it.
     *
     * @param changes a part of the text, a tilde, and what stands there instead
     */
    private record Routine(ProgramKind kind, String name, String text, String... changes) { }

    private static void routines(Statement statement, Target engine, Reads reads, List<Routine> routines)
            throws SQLException {
        for (Routine routine : routines) {
            statement.execute(routine.text());
        }
        List<Program> programs = reads.schema().programs();
        for (Routine routine : routines) {
            Program live = programs.stream()
                    .filter(program -> program.kind() == routine.kind() && program.name().equals(routine.name()))
                    .findFirst().orElseThrow();
            Program wanted = new Program(routine.kind(), "", routine.name(), engine, routine.text());
            assertThat(apart(wanted, live, AgreedPrograms.NONE)).as("%s is %s", wanted.text(), live.text()).isEmpty();
            for (String change : routine.changes()) {
                String[] parts = change.split("~", 2);
                String other = routine.text().replace(parts[0], parts[1]);
                assertThat(other).isNotEqualTo(routine.text());
                assertThat(apart(wanted.worded(other), live, AgreedPrograms.NONE))
                        .as("%s is not %s", other, live.text()).hasSize(1);
            }
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-changed").withAccounts();
                Connection connection = server.fresh("changed"); Statement statement = connection.createStatement()) {
            views(connection, Target.MARIADB,
                    () -> LiveCatalog.read(connection, Target.MARIADB, Optional.of("changed")));
            routines(statement, Target.MARIADB,
                    () -> LiveCatalog.read(connection, Target.MARIADB, Optional.of("changed")), List.of(
                            new Routine(ProgramKind.PROCEDURE, "clear_weights",
                                    "CREATE PROCEDURE clear_weights(IN least integer) BEGIN UPDATE accession SET "
                                            + "weight = NULL WHERE weight < least; DELETE FROM taxon WHERE name = "
                                            + "'none'; END",
                                    "'none'~'nothing'", "< least~<= least", "integer~bigint"),
                            new Routine(ProgramKind.FUNCTION, "twice",
                                    "CREATE FUNCTION twice(n INTEGER) RETURNS varchar(20) CHARSET utf8mb4 "
                                            + "DETERMINISTIC READS SQL DATA RETURN n * 2",
                                    "n * 2~n + 2", "varchar(20)~integer", "READS~MODIFIES",
                                    " DETERMINISTIC~ NOT DETERMINISTIC"),
                            new Routine(ProgramKind.TRIGGER, "weigh",
                                    "CREATE TRIGGER weigh BEFORE INSERT ON accession FOR EACH ROW SET NEW.weight = "
                                            + "coalesce(NEW.weight, 0)",
                                    "BEFORE~AFTER", "INSERT~UPDATE", ", 0)~, 1)")));
        }
    }

    @Test
    void h2() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:h2:mem:")) {
            views(connection, Target.H2, () -> LiveCatalog.read(connection, Target.H2, Optional.empty()));
            try (Statement statement = connection.createStatement()) {
                statement.execute("CREATE TABLE ranked (name varchar(40), part enum('family', 'genus', 'species'))");
                statement.execute("CREATE VIEW species AS SELECT name FROM ranked WHERE part = 'species'");
            }
            Program live = LiveCatalog.read(connection, Target.H2, Optional.empty()).programs().stream()
                    .filter(program -> program.name().equals("species")).findFirst().orElseThrow();
            assertThat(apart(live.worded("CREATE VIEW species AS SELECT name FROM ranked WHERE part = 'species'"), live,
                    AgreedPrograms.NONE)).as(live.text()).isEmpty();
        }
    }

    @Test
    void whatWasApartWhenBothAgreedStaysApart() {
        Program wanted =
                new Program(ProgramKind.VIEW, "", "v", Target.POSTGRESQL, "CREATE VIEW v AS SELECT code FROM taxon");
        Program live = wanted.worded("CREATE VIEW v AS\n SELECT name FROM taxon");
        Dialect dialect = Dialect.of(Target.POSTGRESQL);
        AgreedPrograms agreed = new AgreedPrograms(List.of(live),
                AgreedPrograms.remembered(only(wanted), only(live), dialect, AgreedPrograms.NONE));
        assertThat(apart(wanted, live, agreed)).hasSize(1);
        assertThat(apart(wanted, live, agreed.without(java.util.Set.of("v"), dialect))).hasSize(1);
        Schema told = agreed.told(only(live), only(live), only(wanted), dialect);
        assertThat(told.programs()).as("the database left it alone").containsExactly(live);
    }
}
