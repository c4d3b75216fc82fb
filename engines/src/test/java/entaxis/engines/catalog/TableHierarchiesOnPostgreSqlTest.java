package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.migration.Question;
import entaxis.core.migration.Step;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.migration.Execution;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Inheritance and partitions against a real server, in the forms of the PostgreSQL manual, 5.11 and 5.12. */
class TableHierarchiesOnPostgreSqlTest {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);
    private static EmbeddedPostgres server;
    private static FreshDatabases fresh;
    private static int number;

    @BeforeAll
    static void start() throws Exception {
        server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
        fresh = FreshDatabases.of(server);
    }

    @AfterAll
    static void stop() throws Exception {
        server.close();
    }

    static List<String> forms() {
        return List.of("""
                CREATE TABLE reading (sensor int NOT NULL, day date NOT NULL DEFAULT current_date,
                    celsius numeric(4, 1), CONSTRAINT reading_pk PRIMARY KEY (sensor, day), CHECK (celsius > -60))
                    PARTITION BY RANGE (day);
                CREATE INDEX reading_celsius ON reading (celsius);
                CREATE TABLE reading_2024 PARTITION OF reading FOR VALUES FROM ('2024-01-01') TO ('2025-01-01');
                CREATE TABLE reading_2025 PARTITION OF reading FOR VALUES FROM ('2025-01-01') TO ('2026-01-01');
                CREATE TABLE reading_rest PARTITION OF reading DEFAULT;
                COMMENT ON TABLE reading_2024 IS 'the first year';
                COMMENT ON COLUMN reading_2024.celsius IS 'before the new sensors';
                """, """
                CREATE TABLE vault (no int PRIMARY KEY);
                CREATE TABLE move (vault int NOT NULL REFERENCES vault, at timestamptz NOT NULL, kind text NOT NULL,
                    note text) PARTITION BY RANGE (at, vault);
                CREATE TABLE move_old PARTITION OF move (note DEFAULT 'none', CONSTRAINT noted CHECK (note <> ''))
                    FOR VALUES FROM (MINVALUE, MINVALUE) TO ('2020-01-01', 5);
                CREATE TABLE move_new PARTITION OF move FOR VALUES FROM ('2020-01-01', 5) TO (MAXVALUE, MAXVALUE);
                CREATE INDEX move_note ON move_old (note);
                """, """
                CREATE TABLE lot (id bigint GENERATED ALWAYS AS IDENTITY, taxon text NOT NULL, region text NOT NULL)
                    PARTITION BY LIST (lower(region));
                CREATE TABLE lot_north PARTITION OF lot FOR VALUES IN ('north', 'far north')
                    PARTITION BY HASH (id, taxon);
                CREATE TABLE lot_north_0 PARTITION OF lot_north FOR VALUES WITH (MODULUS 2, REMAINDER 0);
                CREATE TABLE lot_north_1 PARTITION OF lot_north FOR VALUES WITH (MODULUS 2, REMAINDER 1);
                CREATE TABLE lot_south PARTITION OF lot FOR VALUES IN ('south', NULL);
                """, """
                CREATE TABLE step (n int NOT NULL, share numeric(6, 2) NOT NULL) PARTITION BY RANGE (share);
                CREATE TABLE step_low (share numeric(6, 2) NOT NULL, n int NOT NULL, CHECK (n > 0));
                ALTER TABLE step ATTACH PARTITION step_low FOR VALUES FROM ('-1.50') TO (10);
                CREATE UNIQUE INDEX step_once ON step (share, n);
                """, """
                CREATE TABLE place (name text NOT NULL, height int CHECK (height > -500),
                    seen date DEFAULT current_date);
                CREATE TABLE vault_place (state char(2) NOT NULL, CONSTRAINT vault_place_pk PRIMARY KEY (name))
                    INHERITS (place);
                CREATE TABLE owned (owner text NOT NULL);
                CREATE TABLE leased_place (rent int) INHERITS (place, owned);
                CREATE TABLE alias (height int NOT NULL DEFAULT 0) INHERITS (place);
                CREATE TABLE copy () INHERITS (owned);
                """);
    }

    private static Connection database() throws SQLException {
        return fresh.fresh("hierarchies" + ++number);
    }

    private static void run(Connection connection, String script) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(script);
        }
    }

    private static Schema live(Connection connection) throws SQLException {
        return EngineSchema.of(LiveCatalog.read(connection, Target.POSTGRESQL, Optional.empty()), Target.POSTGRESQL,
                DIALECT);
    }

    private static Schema read(String script) {
        Reading reading = ScriptReader.read(script, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return EngineSchema.of(reading.schema(), Target.POSTGRESQL, DIALECT);
    }

    private static String written(Schema schema) {
        return new ScriptWriter(DIALECT, ScriptOptions.DEFAULT).writeAgain(schema, "it").text();
    }

    private static void alike(Schema from, Schema to) {
        Comparison comparison = Comparison.of(from, to, DIALECT, RenameMap.NONE);
        assertThat(comparison.differences()).isEmpty();
        assertThat(comparison.remarks()).isEmpty();
        assertThat(Migration.of(from, to, DIALECT, RenameMap.NONE, Fills.NONE).steps()).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("forms")
    void theScriptReadIsTheDatabaseMade(String script) throws SQLException {
        try (Connection connection = database()) {
            run(connection, script);
            Schema live = live(connection);
            alike(live, read(script));
            alike(read(script), live);
            assertThat(live.tables()).allMatch(table -> table.hierarchy().isPresent());
        }
    }

    @ParameterizedTest
    @MethodSource("forms")
    void theDatabaseWrittenIsTheDatabase(String script) throws SQLException {
        try (Connection first = database(); Connection second = database()) {
            run(first, script);
            Schema live = live(first);
            String again = written(live);
            run(second, again);
            alike(live, live(second));
            alike(live, read(again));
            assertThat(written(live(second))).isEqualTo(again);
            assertThat(shape(second)).isEqualTo(shape(first));
        }
    }

    @ParameterizedTest
    @MethodSource("forms")
    void aDesignOfTheDatabaseMakesItsPartitionsAgain(String script) throws SQLException {
        try (Connection first = database(); Connection second = database()) {
            run(first, script);
            Schema live = live(first);
            Design design = ReverseEngineering.reverse(IsoNormalizer.of(live, DIALECT),
                    new DesignProperties("Vault", Target.POSTGRESQL, "", ""),
                    new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(),
                    letter -> letter + "n" + ++number).design();
            run(second, new ScriptWriter(DIALECT, ScriptOptions.DEFAULT)
                    .write(Derivation.of(design).schema(), "it").text());
            Schema wanted = EngineSchema.ofDesign(Derivation.of(design).schema(), DIALECT);
            assertThat(Comparison.of(live(second), wanted, DIALECT, RenameMap.NONE).differences()).isEmpty();
            assertThat(live(second).tables()).extracting(Table::name)
                    .containsExactlyInAnyOrderElementsOf(live.tables().stream().map(Table::name).toList());
            assertThat(live(second).tables()).filteredOn(table -> table.knownHierarchy().isPartition())
                    .extracting(Table::name).containsExactlyInAnyOrderElementsOf(live.tables().stream()
                            .filter(table -> table.knownHierarchy().isPartition()).map(Table::name).toList());
        }
    }

    /** What the server itself says of the tables, without the names of keys and indexes of partitions. */
    private static String shape(Connection connection) throws SQLException {
        StringBuilder shape = new StringBuilder();
        try (Statement statement = connection.createStatement(); ResultSet rows = statement.executeQuery("""
                select c.relname, pg_get_expr(c.relpartbound, c.oid), pg_get_partkeydef(c.oid),
                       (select string_agg(i.inhparent::regclass::text, ',' order by i.inhseqno) from pg_inherits i
                        where i.inhrelid = c.oid),
                       (select string_agg(a.attname || ' ' || a.attislocal || ' ' || a.attinhcount || a.attnotnull, ','
                               order by a.attname)
                        from pg_attribute a where a.attrelid = c.oid and a.attnum > 0),
                       (select count(*) from pg_index x where x.indrelid = c.oid)
                from pg_class c join pg_namespace n on n.oid = c.relnamespace
                where n.nspname = 'public' and c.relkind in ('r', 'p') order by c.relname""")) {
            while (rows.next()) {
                for (int column = 1; column <= 6; column++) {
                    shape.append(rows.getString(column)).append(" | ");
                }
                shape.append('\n');
            }
        }
        return shape.toString();
    }

    private static void arrives(Connection connection, String to) throws SQLException {
        arrives(connection, to, RenameMap.NONE);
    }

    private static void arrives(Connection connection, String to, RenameMap renames) throws SQLException {
        Schema from = live(connection);
        Migration migration = Migration.of(from, read(to), DIALECT, renames, Fills.NONE);
        for (Step step : migration.steps()) {
            for (Question question : step.questions()) {
                assertThat(question.loss() || number(connection, question.sql()) == 0).as(question.sql()).isTrue();
            }
        }
        Execution done = Execution.of(connection, migration);
        assertThat(done.failed().map(text -> text + ": " + done.message())).as(migration.text("it")).isEmpty();
        alike(live(connection), read(to));
    }

    private static long count(Connection connection, String table) throws SQLException {
        return number(connection, "SELECT count(*) FROM " + table);
    }

    private static long number(Connection connection, String query) throws SQLException {
        try (Statement statement = connection.createStatement(); ResultSet rows = statement.executeQuery(query)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    private static final String PARTITIONED = """
            CREATE TABLE taxon (id int PRIMARY KEY);
            CREATE TABLE reading (sensor int NOT NULL, day date NOT NULL, celsius int) PARTITION BY RANGE (day);
            CREATE TABLE reading_a PARTITION OF reading FOR VALUES FROM ('2024-01-01') TO ('2025-01-01');
            CREATE TABLE reading_b PARTITION OF reading FOR VALUES FROM ('2025-01-01') TO ('2026-01-01');
            """;
    private static final String CHANGED = """
            CREATE TABLE taxon (id int PRIMARY KEY);
            CREATE TABLE reading (sensor bigint NOT NULL, day date NOT NULL, degrees int NOT NULL DEFAULT 0, taxon int,
                CONSTRAINT reading_pk PRIMARY KEY (sensor, day), CONSTRAINT warm CHECK (degrees > -60),
                CONSTRAINT reading_taxon FOREIGN KEY (taxon) REFERENCES taxon) PARTITION BY RANGE (day);
            CREATE TABLE reading_a PARTITION OF reading FOR VALUES FROM ('2024-01-01') TO ('2025-01-01');
            CREATE TABLE reading_b PARTITION OF reading FOR VALUES FROM ('2025-01-01') TO ('2026-01-01');
            CREATE TABLE reading_c PARTITION OF reading FOR VALUES FROM ('2026-01-01') TO ('2027-01-01');
            CREATE INDEX reading_degrees ON reading (degrees);
            """;

    @Test
    void aChangeOfTheWholeIsMadeOnce() throws SQLException {
        try (Connection connection = database()) {
            run(connection, PARTITIONED);
            run(connection, "INSERT INTO reading VALUES (1, '2024-05-05', 3), (2, '2025-05-05', 4)");
            RenameMap renames = RenameMap.NONE.withColumn("reading", "celsius", "degrees");
            arrives(connection, CHANGED, renames);
            assertThat(count(connection, "reading WHERE degrees IN (3, 4)")).isEqualTo(2);
            arrives(connection, PARTITIONED, RenameMap.NONE.withColumn("reading", "degrees", "celsius"));
            assertThat(count(connection, "reading_b")).isEqualTo(1);
        }
    }

    @Test
    void partitionsComeAndGoAndTakeOtherRows() throws SQLException {
        try (Connection connection = database()) {
            run(connection, PARTITIONED);
            run(connection, "INSERT INTO reading VALUES (1, '2024-05-05', 3), (2, '2025-05-05', 4)");
            arrives(connection, """
                    CREATE TABLE taxon (id int PRIMARY KEY);
                    CREATE TABLE reading (sensor int NOT NULL, day date NOT NULL, celsius int, more int)
                        PARTITION BY RANGE (day);
                    CREATE TABLE reading_a (sensor int NOT NULL, day date NOT NULL, celsius int);
                    CREATE TABLE reading_b PARTITION OF reading FOR VALUES FROM ('2025-01-01') TO ('2027-01-01');
                    """);
            assertThat(count(connection, "reading")).isEqualTo(1);
            assertThat(count(connection, "reading_a")).isEqualTo(1);
            arrives(connection, PARTITIONED);
            assertThat(count(connection, "reading")).isEqualTo(2);
        }
    }

    @Test
    void rowsThatAPartitionDoesNotTakeAreCountedBeforehand() throws SQLException {
        String apart = """
                CREATE TABLE lot (id int, region text, day date) PARTITION BY LIST (region);
                CREATE TABLE lot_n (id int, region text, day date);
                CREATE TABLE move (id int, day date) PARTITION BY RANGE (day);
                CREATE TABLE move_old (id int, day date);
                """;
        Schema joined = read("""
                CREATE TABLE lot (id int, region text, day date) PARTITION BY LIST (region);
                CREATE TABLE lot_n PARTITION OF lot FOR VALUES IN ('north', 'east');
                CREATE TABLE move (id int, day date) PARTITION BY RANGE (day);
                CREATE TABLE move_old PARTITION OF move FOR VALUES FROM (MINVALUE) TO ('2025-01-01');
                """);
        try (Connection connection = database()) {
            run(connection, apart);
            run(connection, """
                    INSERT INTO lot_n VALUES (1, 'north'), (2, 'west'), (3, NULL);
                    INSERT INTO move_old VALUES (1, '1999-01-01'), (2, '2025-01-01'), (3, '2026-01-01'), (4, NULL);
                    """);
            List<Long> outside = new ArrayList<>();
            for (Step step : Migration.of(live(connection), joined, DIALECT, RenameMap.NONE, Fills.NONE).steps()) {
                for (Question question : step.questions()) {
                    outside.add(number(connection, question.sql()));
                }
            }
            assertThat(outside).containsExactly(2L, 3L);
        }
    }

    @Test
    void aTableThatIsPartitionedOtherwiseStaysAsItIs() throws SQLException {
        try (Connection connection = database()) {
            run(connection, PARTITIONED);
            run(connection, "INSERT INTO reading VALUES (1, '2024-05-05', 3)");
            Schema wanted = read("""
                    CREATE TABLE taxon (id int PRIMARY KEY);
                    CREATE TABLE reading (sensor int NOT NULL, day date NOT NULL, celsius int, more int)
                        PARTITION BY LIST (sensor);
                    CREATE TABLE reading_1 PARTITION OF reading FOR VALUES IN (1);
                    """);
            Schema from = live(connection);
            Execution done = Execution.of(connection, Migration.of(from, wanted, DIALECT, RenameMap.NONE, Fills.NONE));
            assertThat(done.failed()).isEmpty();
            assertThat(Comparison.of(from, wanted, DIALECT, RenameMap.NONE).remarks()).containsExactly(
                    "reading is partitioned by RANGE (day), but should be partitioned by LIST (sensor); PostgreSQL can"
                            + " only change that by rebuilding the table, so it is left, with its partitions.");
            assertThat(Comparison.of(live(connection), wanted, DIALECT, RenameMap.NONE).differences()).isEmpty();
            assertThat(count(connection, "reading_a")).isEqualTo(1);
            assertThat(count(connection, "reading WHERE more IS NULL")).isEqualTo(1);
        }
    }

    @Test
    void childrenFollowTheirParents() throws SQLException {
        String before = """
                CREATE TABLE place (name text NOT NULL, height int);
                CREATE TABLE town (people int) INHERITS (place);
                CREATE TABLE hill (snow boolean, name text NOT NULL, height int);
                """;
        try (Connection connection = database()) {
            run(connection, before);
            run(connection, "INSERT INTO town VALUES ('A', 3, 4); INSERT INTO hill VALUES (true, 'B', 5)");
            arrives(connection, """
                    CREATE TABLE place (title text NOT NULL, height bigint, CONSTRAINT high CHECK (height < 9000));
                    CREATE TABLE town (title text NOT NULL, height bigint, people int);
                    CREATE TABLE hill (snow boolean) INHERITS (place);
                    """, RenameMap.NONE.withColumn("place", "name", "title").withColumn("hill", "name", "title"));
            assertThat(count(connection, "place")).isEqualTo(1);
            arrives(connection, before, RenameMap.NONE.withColumn("place", "title", "name")
                    .withColumn("town", "title", "name"));
            assertThat(count(connection, "place WHERE name = 'A'")).isEqualTo(1);
        }
    }
}
