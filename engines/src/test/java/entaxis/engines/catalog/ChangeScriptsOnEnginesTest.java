package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.golden.ChangeCase;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.migration.Execution;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Optional;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;

/**
 * Runs the scripts of {@code ChangeScriptsTest}: each takes a database from one side to the other and back. Tables that
 * move into another schema are left out, as the catalog reader reads one schema.
 */
class ChangeScriptsOnEnginesTest {
    private static final Path CHANGES = Path.of("../core/src/test/resources/changes");

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            changes(Target.POSTGRESQL, FreshDatabases.of(server));
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-changes").withAccounts()) {
            changes(Target.MARIADB, server::fresh);
        }
    }

    @Test
    void sqlite() throws Exception {
        changes(Target.SQLITE, FreshDatabases.SQLITE);
    }

    @Test
    void h2() throws Exception {
        changes(Target.H2, FreshDatabases.H2);
    }

    @Test
    void duckDb() throws Exception {
        changes(Target.DUCKDB, FreshDatabases.DUCKDB);
    }

    private static void changes(Target engine, FreshDatabases fresh) throws SQLException {
        SoftAssertions all = new SoftAssertions();
        int number = 0;
        for (ChangeCase change : ChangeCase.of(CHANGES, engine).toList()) {
            boolean oneSchema = change.after().tables().stream().allMatch(table -> table.namespace().isEmpty());
            if (oneSchema) {
                try (Connection connection = fresh.fresh("change" + ++number)) {
                    create(connection, change);
                    arrives(connection, change.before(), change.after(), change.renames(), change, all);
                    arrives(connection, change.after(), change.before(), change.renames().reversed(), change, all);
                }
            }
        }
        all.assertAll();
        assertThat(number).isGreaterThan(50);
    }

    private static void create(Connection connection, ChangeCase change) throws SQLException {
        List<String> statements = new ScriptWriter(change.dialect(), ScriptOptions.DEFAULT)
                .write(change.before(), "before").statements().stream().map(statement -> statement.text()).toList();
        try (Statement statement = connection.createStatement()) {
            for (String text : statements) {
                statement.execute(text);
            }
        }
    }

    private static void arrives(Connection connection, Schema from, Schema to, RenameMap renames, ChangeCase change,
            SoftAssertions all) throws SQLException {
        Dialect dialect = change.dialect();
        Execution done = Execution.of(connection, Migration.of(from, to, dialect, renames, Fills.NONE));
        all.assertThat(done.failed().map(text -> text + ": " + done.message())).as(change.toString()).isEmpty();
        Schema live = EngineSchema.of(LiveCatalog.read(connection, dialect.target(), Optional.empty()),
                dialect.target(), dialect);
        all.assertThat(Comparison.of(live, to, dialect, RenameMap.NONE).differences().stream()
                .map(new DifferenceWords("the database", "the file")::sentence)).as(change.toString()).isEmpty();
    }
}
