package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import entaxis.engines.postgresql.PostgreSqlCatalog;
import entaxis.engines.sandbox.Sandbox;
import entaxis.engines.sandbox.SandboxLimits;
import entaxis.engines.trial.StatementOutcome;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every type that can be typed, as each engine spells it, is taken by that engine itself. */
class TypesOnEnginesTest {
    private static final List<String> MORE = List.of("char(9)", "varchar", "varchar(10485760)", "tinyint",
            "tinyint unsigned", "smallint unsigned", "integer unsigned", "bigint unsigned", "numeric",
            "numeric(5)", "binary(4)", "varbinary", "blob", "time(3)", "time with time zone",
            "timestamp(6) with time zone", "interval year to month", "interval hour to minute", "interval second",
            "jsonb", "inet", "cidr", "macaddr", "xml", "tsvector", "int4range", "point");

    private static List<SqlType> types() {
        List<String> spellings = new ArrayList<>(TypeReader.offered());
        spellings.addAll(MORE);
        return spellings.stream().map(text -> ((Known) TypeReader.read(text)).type()).toList();
    }

    @Test
    void postgreSqlTakesThemAll() throws IOException, SQLException {
        Dialect dialect = Dialect.of(Target.POSTGRESQL);
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection();
                Statement statement = connection.createStatement()) {
            int number = 0;
            for (SqlType type : types()) {
                statement.execute("create table t" + ++number + " (a "
                        + dialect.type(dialect.held(type, false, words -> {})) + ")");
            }
            assertThat(PostgreSqlCatalog.read(Catalog.of(connection), "public").tables()).hasSize(number);
        }
    }

    @Test
    void theBuiltInEngineTakesThemAll() {
        Dialect dialect = Dialect.of(Target.H2);
        try (Sandbox trial = Sandbox.start(SandboxLimits.DEFAULT, Path.of("target/sandbox"))) {
            int number = 0;
            for (SqlType type : types()) {
                StatementOutcome outcome = trial.run("create table t" + ++number + " (a "
                        + dialect.type(dialect.held(type, false, words -> {})) + ")");
                assertThat(outcome.accepted()).as("%s: %s", type.text(), outcome.message()).isTrue();
            }
        }
    }

    /**
     * Key words of ISO/IEC 9075-2 and of the engines, from memory; where a word needs quotes the dialect must give
     * them.
     */
    @Test
    void keyWordsCanBeColumnsInTheBuiltInEngine() {
        Dialect dialect = Dialect.of(Target.H2);
        try (Sandbox trial = Sandbox.start(SandboxLimits.DEFAULT, Path.of("target/sandbox"))) {
            for (String word : ("select from where order group having by user value values key year month day hour "
                    + "minute second interval timestamp date time row rows range window "
                    + "limit offset fetch table column primary foreign references check constraint default unique "
                    + "index view trigger function procedure schema database grant revoke role "
                    + "rank level count sum min max avg type name position condition domain identity generated always "
                    + "sequence start with as is in not null and or between like exists "
                    + "case when then else end cast join left right full inner outer cross natural on using union "
                    + "except intersect minus all any some distinct top qualify rownum "
                    + "system_user session_user current_user current_date current_time localtime uescape unknown true "
                    + "false if array both leading trailing lateral partition over merge set")
                    .split(" ")) {
                StatementOutcome outcome = trial
                        .run("create table " + dialect.name("t_" + word) + " (" + dialect.name(word) + " integer)");
                assertThat(outcome.accepted()).as("%s: %s", word, outcome.message()).isTrue();
                assertThat(trial.run("create table " + dialect.name(word) + " (a integer)").accepted()).as(word)
                        .isTrue();
            }
        }
    }
}
