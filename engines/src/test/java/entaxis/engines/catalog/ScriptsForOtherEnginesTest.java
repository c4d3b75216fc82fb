package entaxis.engines.catalog;

import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Scripts of real applications, written for another engine than theirs: it accepts each statement. */
class ScriptsForOtherEnginesTest {
    private static final Map<String, Target> KINDS = new TreeMap<>(Map.of("postgresql", Target.POSTGRESQL,
            "mysql", Target.MARIADB, "sqlite", Target.SQLITE, "mssql", Target.SQLSERVER, "sqlserver", Target.SQLSERVER,
            "oracle", Target.ORACLE));

    /** What is refused, by words of the statement or of the refusal, and why. */
    private static final Map<String, String> REFUSED = Map.of(
            "LocationLog", "the script refers to a table that it does not make",
            "mt_cds_object", "the script refers to tables by other names",
            "mt_autoscan_obj_id ON mt_autoscan", "nor is that table there then",
            "last_modified", "a moment with its zone is no default on MariaDB",
            "books", "that table is not there then",
            "vcard", "a row of so many long texts is longer than MariaDB takes");

    @BeforeAll
    static void fetch() throws IOException, InterruptedException {
        RealScripts.fetch();
    }

    @Test
    void onPostgreSql() throws Exception {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            all(Target.POSTGRESQL, FreshDatabases.of(server));
        }
    }

    @Test
    void onMariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-others")) {
            all(Target.MARIADB, server::fresh);
        }
    }

    @Test
    void onSqlite() throws Exception {
        all(Target.SQLITE, FreshDatabases.SQLITE);
    }

    @Test
    void onDuckDb() throws Exception {
        all(Target.DUCKDB, FreshDatabases.DUCKDB);
    }

    private static void all(Target engine, FreshDatabases databases) throws IOException, SQLException {
        SoftAssertions all = new SoftAssertions();
        Dialect dialect = Dialect.of(engine);
        int number = 0;
        for (Map.Entry<String, Target> kind : KINDS.entrySet()) {
            for (RealScripts.Application application : RealScripts.applications(kind.getKey(), kind.getValue())) {
                if (kind.getValue() == engine) {
                    continue;
                }
                Schema read = ScriptReader.read(application.text(), kind.getValue()).schema();
                Script script = new ScriptWriter(dialect, ScriptOptions.DEFAULT)
                        .write(IsoNormalizer.of(read, Dialect.of(kind.getValue())), "for another engine");
                try (Connection connection = databases.fresh("other" + ++number)) {
                    List<String> refused = RealScriptsTest.refused(connection, script).stream()
                            .filter(told -> REFUSED.keySet().stream().noneMatch(told::contains)).toList();
                    all.assertThat(refused).as("%s of %s on %s", application.name(), kind.getValue(), engine)
                            .isEmpty();
                }
            }
        }
        all.assertAll();
    }
}
