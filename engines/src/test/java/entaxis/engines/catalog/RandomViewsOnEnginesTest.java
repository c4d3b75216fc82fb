package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.random.Rounds;
import entaxis.core.reconcile.AgreedPrograms;
import entaxis.core.reconcile.Comparison;
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
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/**
 * Views made at random, as real engines word them: none is taken for another one, and each change of an operator, a
 * function, a join or a column is told though nothing was ever agreed.
 */
class RandomViewsOnEnginesTest {
    private static final int VIEWS = Rounds.of(150);
    private static final List<String> TABLES = List.of(
            "CREATE TABLE taxon (code varchar(3) NOT NULL PRIMARY KEY, name varchar(40))",
            "CREATE TABLE accession (accession_no integer NOT NULL PRIMARY KEY, taxon_code varchar(3), weight "
                    + "numeric(9,2), amount integer, taken date)");

    private static boolean apart(Program wanted, Program live) {
        Dialect dialect = Dialect.of(wanted.target());
        Schema there = new Schema(List.of(), List.of(), List.of(), List.of(live));
        Schema asked = new Schema(List.of(), List.of(), List.of(), List.of(wanted));
        return !Comparison
                .of(there, EngineSchema.against(asked, there, dialect, AgreedPrograms.NONE), dialect, RenameMap.NONE)
                .differences().isEmpty();
    }

    private static void check(Connection connection, Target engine, Optional<String> schema) throws SQLException {
        RandomViews views = new RandomViews(11);
        List<List<RandomViews.Pair>> made = new ArrayList<>();
        try (Statement statement = connection.createStatement()) {
            for (String table : TABLES) {
                statement.execute(table);
            }
            for (int i = 0; i < VIEWS; i++) {
                made.add(views.next());
                statement.execute("CREATE VIEW v" + i + " AS " + made.get(i).getFirst().query());
            }
        }
        Map<String, Program> live = LiveCatalog.read(connection, engine, schema).programs().stream()
                .collect(Collectors.toMap(program -> program.name().toLowerCase(Locale.ROOT), program -> program));
        List<String> wrong = new ArrayList<>();
        int changes = 0;
        for (int i = 0; i < VIEWS; i++) {
            Program own = live.get("v" + i);
            Program wanted = new Program(ProgramKind.VIEW, "", "v" + i, engine,
                    "CREATE VIEW v" + i + " AS " + made.get(i).getFirst().query());
            if (apart(wanted, own)) {
                wrong.add("taken for another one: " + wanted.text() + "\n     is " + own.text());
            }
            for (RandomViews.Pair pair : made.get(i)) {
                changes++;
                if (!apart(wanted.worded("CREATE VIEW v" + i + " AS " + pair.other()), own)) {
                    wrong.add("not told: " + pair.change() + " in " + wanted.text() + "\n     is " + own.text());
                }
            }
        }
        assertThat(changes).isGreaterThan(VIEWS);
        assertThat(wrong).as("of %s changes", changes).isEmpty();
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection()) {
            check(connection, Target.POSTGRESQL, Optional.empty());
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-views").withAccounts();
                Connection connection = server.fresh("views")) {
            check(connection, Target.MARIADB, Optional.of("views"));
        }
    }

    @Test
    void h2() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:h2:mem:")) {
            check(connection, Target.H2, Optional.empty());
        }
    }

    @Test
    void duckDb() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:")) {
            check(connection, Target.DUCKDB, Optional.empty());
        }
    }
}
