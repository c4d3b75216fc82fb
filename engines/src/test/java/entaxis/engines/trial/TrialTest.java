package entaxis.engines.trial;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Target;
import entaxis.core.random.RandomDesigns;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TrialTest {

    @Test
    void rulesOfTheTablesHold() {
        try (Trial trial = new Trial(TrialLimits.USUAL)) {
            assertThat(trial.run(List.of("create table taxon (code char(2) primary key, name varchar(20) not null)",
                    "create table accession (no integer primary key, code char(2) not null references taxon)",
                    "insert into taxon values ('AB', 'Briza ostra')"))).allMatch(StatementOutcome::accepted);
            assertThat(trial.run("insert into taxon values ('AB', 'again')").message()).contains("Unique index or primary key violation");
            assertThat(trial.run("insert into accession values (1, 'ZZ')").message()).contains("Referential integrity constraint violation");
            assertThat(trial.run("insert into taxon values ('CD', null)").message()).contains("NULL not allowed");
            // 21 characters do not fit VARCHAR(20): common practice
            assertThat(trial.run("insert into taxon values ('CD', '123456789012345678901')").message()).contains("Value too long");
            assertThat(trial.query("select name from taxon order by 1")).isInstanceOfSatisfying(QueryOutcome.Rows.class, rows -> {
                assertThat(rows.columns()).containsExactly("NAME");
                assertThat(rows.rows()).hasSize(1);
            });
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"call csvread('/etc/passwd')", "select file_read('/etc/passwd')", "select * from csvread('/etc/passwd')",
            "select * from link_schema('A', '', 'jdbc:h2:mem:x', 'sa', '', 'PUBLIC')"})
    void queriesReachNoFiles(String sql) {
        try (Trial trial = new Trial(TrialLimits.USUAL)) {
            assertThat(trial.query(sql)).isInstanceOfSatisfying(QueryOutcome.Failed.class, failed -> assertThat(failed.reason()).containsIgnoringCase("rights"));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"create alias x for 'java.lang.System.exit'", "script to '/tmp/x.sql'", "create user other password ''", "set max_memory_rows 1",
            "create linked table t('', 'jdbc:h2:mem:x', 'sa', '', 'T')", "grant all on schema public to trial", "alter user trial admin true", "shutdown"})
    void theUserHasNoAdministratorsRights(String sql) {
        try (Trial trial = new Trial(TrialLimits.USUAL)) {
            assertThat(trial.run(sql).accepted()).isFalse();
        }
    }

    @Test
    void onlyOneQueryRunsAtATime() {
        try (Trial trial = new Trial(TrialLimits.USUAL)) {
            trial.run("create table t (a integer)");
            assertThat(trial.query("select 1; drop table t")).isInstanceOf(QueryOutcome.Failed.class);
            assertThat(trial.query("drop table t")).isInstanceOfSatisfying(QueryOutcome.Failed.class, failed -> assertThat(failed.reason()).contains("Only queries"));
            assertThat(trial.query("select ';' from t; -- end")).isInstanceOf(QueryOutcome.Rows.class);
        }
    }

    @Test
    void aQueryThatRunsAwayIsStopped() {
        try (Trial trial = new Trial(new TrialLimits(Duration.ofMillis(300), 10, 64L << 20))) {
            assertThat(trial.query("select count(*) from system_range(1, 1000000000) a, system_range(1, 1000) b"))
                    .isInstanceOfSatisfying(QueryOutcome.Failed.class, failed -> assertThat(failed.reason()).startsWith("Stopped"));
            assertThat(trial.query("select array_agg(x || repeat('a', 1000)) from system_range(1, 10000000)"))
                    .isInstanceOfSatisfying(QueryOutcome.Failed.class, failed -> assertThat(failed.reason()).startsWith("Stopped"));
            assertThat(trial.query("select x from system_range(1, 11)")).isInstanceOfSatisfying(QueryOutcome.Rows.class, rows -> {
                assertThat(rows.rows()).hasSize(10);
                assertThat(rows.more()).isTrue();
            });
        }
    }

    @Test
    void everyStatementOfRandomDesignsIsAccepted() {
        for (int seed = 0; seed < 60; seed++) {
            Script script = new ScriptWriter(Dialect.of(Target.H2), ScriptOptions.USUAL)
                    .write(Derivation.of(RandomDesigns.design(seed, 10)).schema(), "random");
            try (Trial trial = new Trial(TrialLimits.USUAL)) {
                assertThat(trial.run(script.statements().stream().map(Script.Statement::text).toList())).as("seed %d", seed)
                        .filteredOn(outcome -> !outcome.accepted()).isEmpty();
            }
        }
    }
}
