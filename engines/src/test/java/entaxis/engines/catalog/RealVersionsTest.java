package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.mariadb.MariaDbCatalog;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * Versions of the table definitions of real applications, out of Debian 12 packages: what is told as different between
 * two of them is what differs in the files, case by case, and the script from one to the other arrives on the engine.
 */
class RealVersionsTest {
    private static final Path FOLDER = Path.of("target/real-scripts").toAbsolutePath();

    @BeforeAll
    static void fetched() throws IOException, InterruptedException {
        Assumptions.assumeTrue(RealScripts.allToBeHad(), "the scripts are those of Debian 12");
        if (!Files.isDirectory(FOLDER.resolve("gnokii"))) {
            Process process = new ProcessBuilder("bash", "src/test/scripts/fetch-real-scripts", FOLDER.toString())
                    .redirectErrorStream(true).redirectOutput(new File("target/fetch.log")).start();
            assertThat(process.waitFor(5, TimeUnit.MINUTES)).isTrue();
        }
    }

    private static Schema read(String file, Target spoken, Target engine) throws IOException {
        Schema schema =
                ScriptReader.read(Files.readString(FOLDER.resolve(file), StandardCharsets.ISO_8859_1), spoken).schema();
        return EngineSchema.of(new Schema(schema.types(), schema.sequences(), schema.tables(), List.of()), spoken,
                Dialect.of(engine));
    }

    private static List<Difference> differences(Schema from, Schema to, Target engine) {
        return Comparison.of(from, to, Dialect.of(engine), RenameMap.NONE).differences();
    }

    private static Map<String, Long> kinds(List<Difference> differences) {
        return differences.stream()
                .collect(
                        Collectors
                                .groupingBy(
                                        difference -> difference.part() + " " + difference.aspect() + ": "
                                                + difference.from() + " -> "
                                                + (difference.part() == entaxis.core.reconcile.SchemaPart.INDEX
                                                        ? "index" : difference.to()),
                                        TreeMap::new, Collectors.counting()));
    }

    private static void arrives(Schema from, Schema to, String name) throws Exception {
        Dialect dialect = Dialect.of(Target.MARIADB);
        try (RealMariaDb server = new RealMariaDb("maria-" + name); Connection connection = server.fresh("v");
                Statement statement = connection.createStatement()) {
            statement.execute("SET SESSION sql_mode = ''");
            for (var one : new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(from, name).statements()) {
                statement.execute(one.text());
            }
            Schema found = MariaDbCatalog.read(Catalog.of(connection), "v");
            for (String sql : Migration.of(found, to, dialect, RenameMap.NONE, Fills.NONE).statements()) {
                statement.execute(sql);
            }
            assertThat(
                    differences(MariaDbCatalog.read(Catalog.of(connection), "v"), to, Target.MARIADB))
                    .isEmpty();
        }
    }

    /** The newer version lets the engine set the moments that the older one left at zero for its triggers to set. */
    @Test
    void anOlderAndANewerVersion() throws Exception {
        Schema older = read("gammu-legacy/mysql/mysql-legacy.sql", Target.MYSQL, Target.MARIADB);
        Schema newer = read("gammu/mysql/mysql.sql", Target.MYSQL, Target.MARIADB);
        assertThat(kinds(differences(older, newer, Target.MARIADB)))
                .isEqualTo(Map.of("COLUMN DEFAULT: '0000-00-00 00:00:00' -> current_timestamp", 8L));
        arrives(older, newer, "older");
    }

    /** The version for one storage engine shortens the texts of its keys to 190 signs and adds indexes. */
    @Test
    void theVersionForAnotherStorageEngine() throws Exception {
        Schema plain = read("quartz-plain/mysql/tables_mysql.sql", Target.MYSQL, Target.MARIADB);
        Schema other = read("quartz/mysql/tables_mysql_innodb.sql", Target.MYSQL, Target.MARIADB);
        List<Difference> differences = differences(plain, other, Target.MARIADB);
        assertThat(differences).hasSizeGreaterThan(30)
                .allSatisfy(difference -> assertThat(kinds(List.of(difference)).keySet()).isSubsetOf(
                        "COLUMN TYPE: varchar(200) -> varchar(190)", "COLUMN TYPE: varchar(200) -> varchar(120)",
                        "INDEX PRESENCE:  -> index"));
        arrives(plain, other, "plain");
    }

    /** One application in two engines: each difference is a decision that its files take differently. */
    @Test
    void theSameInTwoEngines() throws IOException {
        Schema mySql = read("gnokii/mysql/sms.tables.mysql.sql", Target.MYSQL, Target.POSTGRESQL);
        Schema postgreSql = read("gnokii/postgresql/sms.tables.pq.sql", Target.POSTGRESQL, Target.POSTGRESQL);
        Map<String, String> explained = new TreeMap<>();
        explained.put("COLUMN\\|\\w+\\|id\\|TYPE", "int unsigned needs bigint; the other file counts with serial");
        explained.put("CHECK\\|\\w+\\|ck_\\w+_id_unsigned\\|PRESENCE", "the check that stands in for unsigned");
        explained.put(
                "COLUMN\\|\\w+\\|(number|smsdate|processed_date|text|processed|error|"
                        + "dreport|not_before|not_after|insertdate|phone)\\|DEFAULT",
                "empty texts, zero moments and '0' where the other says nothing, now() or false");
        explained.put("COLUMN\\|\\w+\\|(smsdate|insertdate|processed_date)\\|TYPE",
                "datetime and timestamp of whole seconds against timestamp");
        explained.put(
                "COLUMN\\|\\w+\\|(insertdate|processed_date|processed|phone|text|number|error|smsdate)\\|REQUIRED",
                "not null in one of the files only");
        explained.put("COLUMN\\|\\w+\\|(text|phone|processed|error|dreport|number)\\|TYPE",
                "text against varchar(160), tinyint against integer and boolean");
        explained.put("TABLE\\|multipartinbox\\|\\|PRESENCE", "only one of the files has it");
        explained.put("COLUMN\\|\\w+\\|\\w+\\|PRESENCE", "columns that only one of the files has");
        List<Difference> differences = differences(mySql, postgreSql, Target.POSTGRESQL);
        assertThat(differences).isNotEmpty().allSatisfy(
                difference -> assertThat(explained.keySet()).as("%s", difference).anyMatch(difference.key()::matches));
        assertThat(explained.keySet().stream()
                .filter(pattern -> differences.stream().noneMatch(difference -> difference.key().matches(pattern))))
                .as("explanations without a case").hasSizeLessThanOrEqualTo(1);
    }
}
