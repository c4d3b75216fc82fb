package entaxis.engines.sandbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.derive.Derivation;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.trial.QueryOutcome;
import entaxis.engines.trial.StatementOutcome;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SandboxTest {
    private static final Path FOLDER = Path.of("target/sandbox/work");
    private static final SandboxLimits SHORT = new SandboxLimits(Duration.ofMillis(400), 48, 10, 4_000);

    private static Sandbox shared;

    @BeforeAll
    static void open() {
        shared = usual();
    }

    @AfterAll
    static void close() {
        shared.close();
    }

    private static Sandbox usual() {
        return Sandbox.start(SandboxLimits.DEFAULT, FOLDER);
    }

    private static String failure(QueryOutcome outcome) {
        assertThat(outcome).isInstanceOf(QueryOutcome.Failed.class);
        return ((QueryOutcome.Failed) outcome).reason();
    }

    @Test
    void rulesOfTheTablesHold() {
        try (Sandbox sandbox = usual()) {
            assertThat(sandbox.run(List.of("create table taxon (code char(2) primary key, name varchar(20) not null)",
                    "create table accession (no integer primary key, code char(2) not null references taxon)",
                    "insert into taxon values ('AB', 'Briza ostra')"))).allMatch(StatementOutcome::accepted).last()
                    .extracting(StatementOutcome::message).isEqualTo("1 row");
            assertThat(sandbox.run("insert into taxon values ('AB', 'again')").message())
                    .contains("Unique index or primary key violation");
            assertThat(sandbox.run("insert into accession values (1, 'ZZ')").message())
                    .contains("Referential integrity constraint violation");
            assertThat(sandbox.run("insert into taxon values ('CD', null)").message()).contains("NULL not allowed");
            // 21 characters do not fit VARCHAR(20): common practice
            assertThat(sandbox.run("insert into taxon values ('CD', '123456789012345678901')").message())
                    .contains("Value too long");
            assertThat(sandbox.ask("select name from taxon order by 1")).isInstanceOfSatisfying(QueryOutcome.Rows.class,
                    rows -> {
                assertThat(rows.columns()).containsExactly("NAME");
                assertThat(rows.rows()).containsExactly(List.of(Optional.of("Briza ostra")));
                assertThat(rows.more()).isFalse();
            });
            assertThat(sandbox.ask("select cast(null as integer), '🌱'")).isInstanceOfSatisfying(
                    QueryOutcome.Rows.class,
                    rows -> assertThat(rows.rows()).containsExactly(List.of(Optional.empty(), Optional.of("🌱"))));
        }
    }

    /** H2 manual, “Rights”: what needs an administrator. */
    @ParameterizedTest
    @ValueSource(strings = {"create alias x for 'java.lang.System.exit'", "create alias x as 'int x() { return 1; }'",
            "create aggregate x for 'java.lang.Object'",
            "create trigger x before insert on t call 'java.lang.Object'",
            "create table e (a int) engine 'java.lang.Object'", "script to '/tmp/x.sql'",
            "runscript from '/etc/passwd'",
            "backup to '/tmp/x.zip'", "create user other password ''", "create role r", "set max_memory_rows 1",
            "set allow_literals none", "set mode oracle",
            "create linked table l('', 'jdbc:h2:mem:x', 'sa', '', 'T')", "alter user trial admin true",
            "alter user owner set password 'x'", "shutdown",
            "create constant c value file_read('/etc/passwd')", "insert into t values (default)",
            "call abort_session(1)", "set trace_level_file 3"})
    void theUserHasNoAdministratorsRights(String sql) {
        shared.run("create table if not exists t (a varchar default file_read('/etc/passwd'))");
        assertThat(shared.run(sql))
                .satisfies(outcome -> assertThat(outcome.accepted()).as(outcome.message()).isFalse());
        assertThat(shared.alive()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"call csvread('/etc/passwd')", "select file_read('/etc/passwd')",
            "select * from csvread('/etc/passwd')", "call csvwrite('/tmp/x', 'select 1')",
            "select file_write('a', '/tmp/x')",
            "select * from link_schema('A', 'org.h2.Driver', 'jdbc:h2:mem:x;INIT=CREATE ALIAS E AS ''int e() { return "
                    + "1; }''', 'sa', '', 'PUBLIC')"})
    void questionsReachNoFilesAndNoOtherDatabases(String sql) {
        assertThat(failure(shared.ask(sql))).containsIgnoringCase("rights");
    }

    @Test
    void onlyOneQuestionIsPutAtATime() {
        try (Sandbox sandbox = usual()) {
            sandbox.run("create table t (a integer)");
            assertThat(failure(sandbox.ask("select 1; drop table t"))).contains("several statements");
            assertThat(failure(sandbox.ask("drop table t"))).contains("Only queries");
            assertThat(sandbox.ask("select ';' from t; -- end")).isInstanceOf(QueryOutcome.Rows.class);
        }
    }

    @Test
    void whatCanBeCancelledLeavesTheTables() {
        try (Sandbox sandbox = Sandbox.start(SHORT, FOLDER)) {
            sandbox.run("create table t (a integer)");
            assertThat(
                    failure(sandbox.ask("select count(*) from system_range(1, 1000000000) a, system_range(1, 1000) b")))
                    .isEqualTo(SHORT.tooLong());
            assertThat(sandbox.ask("select * from t")).isInstanceOf(QueryOutcome.Rows.class);
        }
    }

    /** Each of these is stopped although the engine cannot cancel it, and says which limit it met. */
    @ParameterizedTest
    @ValueSource(strings = {"select regexp_like(repeat('a', 60) || '!', '^(a+)+\\1$')",
            "select cast(1e99999999 as numeric(100000))"})
    @Timeout(20)
    void whatCannotBeCancelledIsKilled(String sql) {
        try (Sandbox sandbox = Sandbox.start(SHORT, FOLDER)) {
            sandbox.run("select 1");
            long start = System.nanoTime();
            assertThat(failure(sandbox.ask(sql))).isIn(SHORT.tooLong(), SHORT.tooMuchMemory());
            assertThat(Duration.ofNanos(System.nanoTime() - start)).isLessThan(Duration.ofSeconds(6));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"select length(repeat('a', 1000000000))", "select rpad('a', 2000000000, 'b')",
            "select array_agg(x || repeat('a', 1000)) from system_range(1, 10000000)",
            "select listagg(repeat('a', 1000)) from system_range(1, 10000000)", "select space(2000000000)"})
    @Timeout(30)
    void memoryIsLimited(String sql) {
        SandboxLimits limits = new SandboxLimits(Duration.ofSeconds(10), 48, 10, 4_000);
        try (Sandbox sandbox = Sandbox.start(limits, FOLDER)) {
            assertThat(failure(sandbox.ask(sql))).isEqualTo(limits.tooMuchMemory());
            assertThat(sandbox.alive()).isFalse();
            assertThat(sandbox.run(List.of("select 1", "select 2"))).noneMatch(StatementOutcome::accepted);
            assertThat(failure(sandbox.ask("select 1"))).isEqualTo(limits.tooMuchMemory());
        }
    }

    @Test
    void answersAreCutByRowsAndByBytes() {
        try (Sandbox sandbox = Sandbox.start(SHORT, FOLDER)) {
            assertThat(sandbox.ask("select x from system_range(1, 11)")).isInstanceOfSatisfying(QueryOutcome.Rows.class,
                    rows -> {
                assertThat(rows.rows()).hasSize(10);
                assertThat(rows.more()).isTrue();
            });
            assertThat(sandbox.ask("select repeat('ä', 1000) from system_range(1, 10)"))
                    .isInstanceOfSatisfying(QueryOutcome.Rows.class, rows -> {
                assertThat(rows.rows()).hasSize(2);
                assertThat(rows.more()).isTrue();
            });
            assertThat(sandbox.ask("select repeat('ab', 5000)")).isInstanceOfSatisfying(QueryOutcome.Rows.class,
                    rows -> assertThat(rows.rows().getFirst().getFirst().orElseThrow()).hasSizeLessThan(2_010)
                            .endsWith("..."));
        }
    }

    @Test
    void everyStatementOfRandomDesignsIsAccepted() {
        for (int seed = 0; seed < Rounds.of(8); seed++) {
            Script script = new ScriptWriter(Dialect.of(Target.H2), ScriptOptions.DEFAULT)
                    .write(Derivation.of(RandomDesigns.design(seed, 20)).schema(), "random");
            try (Sandbox sandbox = usual()) {
                assertThat(sandbox.run(script.statements().stream().map(Script.Statement::text).toList()))
                        .as("seed %d", seed).filteredOn(outcome -> !outcome.accepted()).isEmpty();
            }
        }
    }

    @Test
    void itBeginsAgainWithNothingOfBefore() {
        try (Sandbox sandbox = usual()) {
            sandbox.run(List.of("create schema other", "create table other.t (a integer)", "create table t (a integer)",
                    "insert into t values (1)"));
            long process = sandbox.pid();
            assertThat(sandbox.reset()).isTrue();
            assertThat(sandbox.pid()).isEqualTo(process);
            assertThat(sandbox.run(List.of("create table t (b integer)", "create schema other",
                    "create alias x for 'java.lang.System.exit'")))
                    .extracting(StatementOutcome::accepted).containsExactly(true, true, false);
            ProcessHandle.of(process).orElseThrow().destroyForcibly();
            while (sandbox.alive()) {
                Thread.onSpinWait();
            }
            assertThat(sandbox.reset()).isFalse();
        }
    }

    @Test
    void catalogsAreReadThroughItsConnection() throws SQLException {
        try (Sandbox sandbox = usual(); Connection connection = sandbox.connection();
                Statement statement = connection.createStatement()) {
            statement.execute("create table t (a integer default 7, b varchar(3) check (b in ('x', 'y')))");
            try (ResultSet row = statement.executeQuery(
                    "select column_default, null, 4 from information_schema.columns where column_name = 'A'")) {
                assertThat(row.next()).isTrue();
                assertThat(row.getString(1)).isEqualTo("7");
                assertThat(row.getObject(2)).isNull();
                assertThat(row.getLong(3)).isEqualTo(4);
            }
            assertThatThrownBy(() -> statement.execute("create table t (a integer)")).isInstanceOf(SQLException.class)
                    .hasMessageContaining("already exists");
            assertThatThrownBy(() -> statement.executeQuery("select * from nowhere")).isInstanceOf(SQLException.class)
                    .hasMessageContaining("not found");
        }
    }

    @Test
    void theProcessHasNoEnvironmentAndAnEmptyFolder() throws Exception {
        try (Sandbox sandbox = usual()) {
            sandbox.run("select 1");
            Path process = Path.of("/proc", Long.toString(sandbox.pid()));
            if (Files.isReadable(process.resolve("environ"))) {
                assertThat(Files.readAllBytes(process.resolve("environ"))).isEmpty();
                assertThat(process.resolve("cwd").toRealPath()).isEqualTo(FOLDER.toRealPath());
            }
            assertThat(FOLDER).isEmptyDirectory();
        }
    }

    /** Killed from outside at any moment, in the middle of statements too: said so, and nothing hangs. */
    @Test
    @Timeout(240)
    void killsAreToldAndLeaveNothingBehind() throws Exception {
        Random random = new Random(5);
        int kills = Integer.getInteger("sandbox.kills", 8);
        try (Sandboxes sandboxes = new Sandboxes(SandboxLimits.DEFAULT, FOLDER, 2)) {
            for (int kill = 0; kill < kills; kill++) {
                Sandbox sandbox = sandboxes.take().orElseThrow();
                ProcessHandle process = ProcessHandle.of(sandbox.pid()).orElseThrow();
                Thread killer = Thread.ofVirtual().start(() -> {
                    try {
                        Thread.sleep(random.nextInt(600));
                        process.destroyForcibly();
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                    }
                });
                sandbox.run("create table t (a integer)");
                while (sandbox.alive()) {
                    sandbox.run(List.of("insert into t select x from system_range(1, 1000)", "delete from t"));
                }
                killer.join();
                assertThat(failure(sandbox.ask("select 1"))).contains("has ended");
                assertThat(process.isAlive()).isFalse();
                sandboxes.giveBack(sandbox);
            }
            assertThat(sandboxes.taken()).isZero();
        }
        TimeUnit.MILLISECONDS.sleep(200);
        assertThat(ProcessHandle.current().descendants().filter(child -> child.pid() != shared.pid()
                && child.info().commandLine().orElse("").contains("SandboxProcess"))).isEmpty();
    }

    @Test
    void onlySoManyAreGivenAtATime() throws InterruptedException {
        try (Sandboxes sandboxes = new Sandboxes(SandboxLimits.DEFAULT, FOLDER, 2)) {
            Sandbox one = sandboxes.take().orElseThrow();
            Sandbox two = sandboxes.take().orElseThrow();
            assertThat(sandboxes.take()).isEmpty();
            sandboxes.giveBack(two);
            assertThat(sandboxes.take()).isPresent();
            ProcessHandle process = ProcessHandle.of(one.pid()).orElseThrow();
            process.destroyForcibly();
            process.onExit().join();
            // who waits for a process and who started it are told of its end one after the other
            for (int i = 0; one.alive() && i < 500; i++) {
                TimeUnit.MILLISECONDS.sleep(10);
            }
            assertThat(sandboxes.take()).as("one that has died counts no more").isPresent();
        }
    }
}
