package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;

/**
 * Every word that any engine reserves, and every key word that an engine itself lists, can be the name of a table, a
 * column, an index and a key on the real engines, and stand in a condition: where it needs quotes the dialect gives
 * them. PostgreSQL manual, pg_get_keywords; MariaDB manual, “Information Schema KEYWORDS Table”.
 */
class ReservedWordsOnEnginesTest {
    /** Names of functions that people also give to columns (common practice). */
    private static final String FUNCTIONS =
            "abs avg ceil char_length coalesce concat count date datetime day exp extract floor format greatest hour "
                    + "insert instr least length ln locate log lower"
                    + " max min minute mod month now nullif order overlay percentile pi position power quarter rank "
                    + "replace reverse right round row_number rtrim second sign sqrt stddev substr substring sum"
            + " time timestamp timestampadd trim truncate upper user uuid variance version week year";

    private static Set<String> words(List<String> more) {
        Set<String> words = new TreeSet<>(more);
        words.addAll(List.of(FUNCTIONS.split(" ")));
        Arrays.stream(Target.values()).forEach(target -> words.addAll(Dialect.of(target).reserved()));
        return words;
    }

    private static void canBeNames(Connection connection, Target engine, Set<String> words) throws SQLException {
        Dialect dialect = Dialect.of(engine);
        List<String> refused = new ArrayList<>();
        for (String word : words) {
            String name = dialect.name(word);
            try (Statement statement = connection.createStatement()) {
                statement.execute("create table " + name + " (" + name + " int not null, other int, constraint "
                        + dialect.name(word + "_key") + " unique (" + name + "), check (" + name + " > 0))");
                statement.execute(
                        "create index " + dialect.name("x_" + word) + " on " + name + " (other, " + name + ")");
                statement.execute("create table " + dialect.name("r_" + word) + " (" + name + " int references "
                        + name + " (" + name + "))");
            } catch (SQLException e) {
                refused.add(word + ": " + e.getMessage());
            }
        }
        assertThat(refused).isEmpty();
    }

    private static List<String> listed(Connection connection, String query) throws SQLException {
        List<String> words = new ArrayList<>();
        try (Statement statement = connection.createStatement(); ResultSet rows = statement.executeQuery(query)) {
            while (rows.next()) {
                if (rows.getString(1).matches("[A-Za-z_]+")) {
                    words.add(rows.getString(1).toLowerCase(java.util.Locale.ROOT));
                }
            }
        }
        return words;
    }

    @Test
    void onPostgreSql() throws IOException, SQLException {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection()) {
            List<String> own = listed(connection, "select word from pg_get_keywords()");
            assertThat(own).hasSizeGreaterThan(400);
            canBeNames(connection, Target.POSTGRESQL, words(own));
            assertThat(listed(connection, "select word from pg_get_keywords() where catcode = 'R'"))
                    .isSubsetOf(Dialect.of(Target.POSTGRESQL).reserved());
        }
    }

    @Test
    void onMariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("words"); Connection connection = server.fresh("words")) {
            List<String> own = listed(connection, "select word from information_schema.keywords");
            assertThat(own).hasSizeGreaterThan(400);
            canBeNames(connection, Target.MARIADB, words(own));
        }
    }

    @Test
    void onSqlite() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:sqlite::memory:")) {
            canBeNames(connection, Target.SQLITE, words(List.of()));
        }
    }

    @Test
    void onTheBuiltInEngine() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:h2:mem:")) {
            canBeNames(connection, Target.H2, words(List.of()));
        }
    }

    @Test
    void onDuckDb() throws SQLException {
        try (Connection connection = DriverManager.getConnection("jdbc:duckdb:")) {
            List<String> own = listed(connection, "select keyword_name from duckdb_keywords()");
            assertThat(own).hasSizeGreaterThan(400);
            canBeNames(connection, Target.DUCKDB, words(own));
            assertThat(listed(connection,
                    "select keyword_name from duckdb_keywords() where keyword_category = 'reserved'"))
                    .isSubsetOf(Dialect.of(Target.DUCKDB).reserved());
        }
    }
}
