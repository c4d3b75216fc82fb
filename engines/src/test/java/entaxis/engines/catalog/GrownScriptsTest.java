package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.Reading;
import entaxis.core.reading.SameSchema;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import entaxis.engines.mariadb.MariaDbCatalog;
import entaxis.engines.postgresql.PostgreSqlCatalog;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Comparator;
import org.junit.jupiter.api.Test;

/**
 * Scripts with years of changes in them, run by the real engine; what was read must be what its catalog says, names of
 * constraints and all.
 */
class GrownScriptsTest {

    private static String script(String engine) throws IOException {
        return new String(GrownScriptsTest.class.getResourceAsStream("/scripts/" + engine + ".sql").readAllBytes(),
                StandardCharsets.UTF_8);
    }

    private static Schema byName(Schema schema) {
        return new Schema(schema.types(), schema.tables().stream().sorted(Comparator.comparing(Table::name)).toList());
    }

    private static void run(Connection connection, String script, Target engine) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (String one : StatementTexts.of(script, engine)) {
                try {
                    statement.execute(one);
                } catch (SQLException e) {
                    throw new AssertionError(e.getMessage() + "\n" + one, e);
                }
            }
        }
    }

    @Test
    void postgreSql() throws Exception {
        String script = script("postgresql");
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection connection = server.getPostgresDatabase().getConnection()) {
            try (Statement statement = connection.createStatement()) {
                for (String one : StatementTexts.of(script.replace("/* a comment /* in a comment */ ; */", "")
                        .replaceAll("(?s)CREATE OR REPLACE RULE.*?\\);", ""), Target.POSTGRESQL)) {
                    try {
                        statement.execute(one);
                    } catch (SQLException e) {
                        throw new AssertionError(e.getMessage() + "\n" + one, e);
                    }
                }
            }
            Reading reading = ScriptReader.read(script, Target.POSTGRESQL);
            assertThat(reading.notUnderstood()).isEmpty();
            assertThat(SameSchema.all(byName(PostgreSqlCatalog.read(Catalog.of(connection), "public")),
                    byName(reading.schema()), Target.POSTGRESQL)).isEmpty();
        }
    }

    @Test
    void mariaDb() throws Exception {
        String script = script("mariadb");
        try (RealMariaDb server = new RealMariaDb("maria-grown"); Connection connection = server.fresh("grown")) {
            run(connection, script, Target.MARIADB);
            Reading reading = ScriptReader.read(script, Target.MARIADB);
            assertThat(reading.notUnderstood()).isEmpty();
            assertThat(SameSchema.all(byName(MariaDbCatalog.read(Catalog.of(connection), "grown")),
                    byName(reading.schema()), Target.MARIADB)).isEmpty();
        }
    }
}
