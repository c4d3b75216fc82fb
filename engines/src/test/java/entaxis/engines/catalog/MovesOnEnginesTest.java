package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.migration.Question;
import entaxis.core.migration.Step;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.MergedTable;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Risk;
import entaxis.core.reconcile.Split;
import entaxis.core.reconcile.SplitFinder;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.engines.h2.H2Catalog;
import entaxis.engines.mariadb.MariaDbCatalog;
import entaxis.engines.postgresql.PostgreSqlCatalog;
import entaxis.engines.sqlite.SqliteCatalog;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Columns that move into a new table keep their values, on the engines that run here. */
class MovesOnEnginesTest {
    private static final String FLAT = """
            CREATE TABLE accession (accession_no integer NOT NULL PRIMARY KEY, taxon_code varchar(3), taxon_name \
            varchar(40), family varchar(40), dried_on date, moisture numeric(4,1))""";
    private static final List<String> ROWS =
            List.of("INSERT INTO accession VALUES (1, 'CAR', 'Silverthorn', 'Thornworts', '2026-03-02', 6.5)",
                    "INSERT INTO accession VALUES (2, 'CAR', 'Silverthorn', 'Thornworts', NULL, NULL)",
                    "INSERT INTO accession VALUES (3, 'MOR', 'Moonreed', NULL, '2026-04-01', 7.0)",
            "INSERT INTO accession VALUES (4, NULL, NULL, NULL, NULL, 5.5)");
    /**
     * Facts of the taxon go to the taxon, to which the accession refers; drying goes to a table of its own, which
     * refers to the accession.
     */
    private static final String APART = """
            CREATE TABLE taxon (code varchar(3) NOT NULL PRIMARY KEY, taxon_name varchar(40), family varchar(40));
            CREATE TABLE accession (accession_no integer NOT NULL PRIMARY KEY, taxon_code varchar(3), CONSTRAINT \
            fk_accession_taxon FOREIGN KEY (taxon_code) REFERENCES taxon (code));
            CREATE TABLE drying (accession_no integer NOT NULL PRIMARY KEY, dried_on date, moisture numeric(4,1), \
            CONSTRAINT fk_drying_accession FOREIGN KEY (accession_no) REFERENCES accession (accession_no));""";

    private interface Read {
        Schema from(Connection connection) throws SQLException;
    }

    private static void moves(Target engine, Connection connection, Read read) throws SQLException {
        Dialect dialect = Dialect.of(engine);
        try (Statement statement = connection.createStatement()) {
            statement.execute(FLAT);
            for (String row : ROWS) {
                statement.execute(row);
            }
            Schema found = read.from(connection);
            Schema wanted = EngineSchema.of(ScriptReader.read(APART, engine).schema(), engine, dialect);
            List<Split> splits = SplitFinder.find(found, wanted, dialect);
            assertThat(splits).extracting(Split::was).containsExactlyInAnyOrder("accession: taxon_name, family",
                    "accession: dried_on, moisture");
            RenameMap pairing = RenameMap.NONE;
            for (Split split : splits) {
                pairing = split.into(pairing);
            }
            assertThat(Comparison.of(found, wanted, dialect, pairing).differences())
                    .noneMatch(difference -> difference.risk() == Risk.LOSES_DATA);
            Migration migration = Migration.of(found, wanted, dialect, pairing, Fills.NONE);
            assertThat(migration.steps()).noneMatch(step -> step.risk() == Risk.LOSES_DATA);
            assertThat(inTheWay(statement, migration)).isZero();
            for (String sql : migration.statements()) {
                statement.execute(sql);
            }
            assertThat(Comparison.of(read.from(connection), wanted, dialect, RenameMap.NONE).differences())
                    .as(migration.text("apart")).isEmpty();
            assertThat(rows(statement, "SELECT code, taxon_name, family FROM taxon ORDER BY code"))
                    .containsExactly("CAR|Silverthorn|Thornworts", "MOR|Moonreed|null");
            assertThat(rows(statement,
                    "SELECT a.accession_no, t.family, d.dried_on, d.moisture FROM accession a LEFT JOIN taxon t ON "
                            + "t.code = a.taxon_code JOIN drying d ON d.accession_no = a.accession_no "
                            + "ORDER BY a.accession_no"))
                    .containsExactly("1|Thornworts|2026-03-02|6.5", "2|Thornworts|null|null", "3|null|2026-04-01|7",
                            "4|null|null|5.5");
            assertThat(migration.withoutWayBack()).isNotEmpty();
            comesBack(engine, connection, read);
        }
    }

    /** The other way: the database was split, the design has one table. */
    private static void comesBack(Target engine, Connection connection, Read read) throws SQLException {
        Dialect dialect = Dialect.of(engine);
        try (Statement statement = connection.createStatement()) {
            Schema found = read.from(connection);
            Schema wanted = EngineSchema.of(ScriptReader.read(FLAT, engine).schema(), engine, dialect);
            List<MergedTable> joined = SplitFinder.joined(found, wanted, dialect);
            assertThat(joined).extracting(MergedTable::was).containsExactlyInAnyOrder("taxon: family, taxon_name",
                    "drying: dried_on, moisture");
            assertThat(joined).extracting(MergedTable::now).containsOnly("accession");
            Map<String, String> fills = new HashMap<>();
            joined.forEach(one -> fills.putAll(one.fills(dialect)));
            Migration back = Migration.of(found, wanted, dialect, RenameMap.NONE, new Fills(fills));
            for (String sql : back.statements()) {
                statement.execute(sql);
            }
            assertThat(Comparison.of(read.from(connection), wanted, dialect, RenameMap.NONE).differences())
                    .as(back.text("flat")).isEmpty();
            assertThat(rows(statement,
                    "SELECT accession_no, family, taxon_name, dried_on, moisture FROM accession ORDER BY accession_no"))
                    .containsExactly("1|Thornworts|Silverthorn|2026-03-02|6.5", "2|Thornworts|Silverthorn|null|null",
                            "3|null|Moonreed|2026-04-01|7", "4|null|null|null|5.5");
        }
    }

    /** Two names for one code cannot become one row: a query tells beforehand. */
    private static void contradictionIsTold(Target engine, Connection connection, Read read) throws SQLException {
        Dialect dialect = Dialect.of(engine);
        try (Statement statement = connection.createStatement()) {
            statement.execute(FLAT);
            for (String row : ROWS) {
                statement.execute(row);
            }
            statement.execute("UPDATE accession SET taxon_name = 'Silver thorn' WHERE accession_no = 2");
            Schema found = read.from(connection);
            Schema wanted = EngineSchema.of(ScriptReader.read(APART, engine).schema(), engine, dialect);
            RenameMap pairing = RenameMap.NONE;
            for (Split split : SplitFinder.find(found, wanted, dialect)) {
                pairing = split.into(pairing);
            }
            assertThat(inTheWay(statement, Migration.of(found, wanted, dialect, pairing, Fills.NONE))).isEqualTo(1);
        }
    }

    private static long inTheWay(Statement statement, Migration migration) throws SQLException {
        long count = 0;
        for (Step step : migration.steps()) {
            for (Question question : step.questions()) {
                try (ResultSet rows = statement.executeQuery(question.sql())) {
                    rows.next();
                    count += step.stage() == entaxis.core.migration.Stage.MOVES && !question.loss() ? rows.getLong(1)
                            : 0;
                }
            }
        }
        return count;
    }

    private static List<String> rows(Statement statement, String query) throws SQLException {
        List<String> rows = new ArrayList<>();
        try (ResultSet result = statement.executeQuery(query)) {
            while (result.next()) {
                List<String> cells = new ArrayList<>();
                for (int i = 1; i <= result.getMetaData().getColumnCount(); i++) {
                    cells.add(String.valueOf(result.getString(i)).replaceFirst("\\.0$", ""));
                }
                rows.add(String.join("|", cells));
            }
        }
        return rows;
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            for (String schema : List.of("apart", "told")) {
                try (Connection connection = server.getPostgresDatabase().getConnection();
                        Statement statement = connection.createStatement()) {
                    statement.execute("create schema " + schema);
                    statement.execute("set search_path to " + schema);
                    if (schema.equals("apart")) {
                        moves(Target.POSTGRESQL, connection,
                                own -> PostgreSqlCatalog.read(Catalog.of(own), own.getSchema()));
                    } else {
                        contradictionIsTold(Target.POSTGRESQL, connection,
                                own -> PostgreSqlCatalog.read(Catalog.of(own), own.getSchema()));
                    }
                }
            }
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-moves"); Connection one = server.fresh("m")) {
            moves(Target.MARIADB, one, own -> MariaDbCatalog.read(Catalog.of(own), "m"));
        }
    }

    @Test
    void sqlite() throws SQLException {
        try (Connection one = DriverManager.getConnection("jdbc:sqlite::memory:");
                Connection other = DriverManager.getConnection("jdbc:sqlite::memory:")) {
            moves(Target.SQLITE, one, own -> SqliteCatalog.read(Catalog.of(own)));
            contradictionIsTold(Target.SQLITE, other, own -> SqliteCatalog.read(Catalog.of(own)));
        }
    }

    @Test
    void h2() throws SQLException {
        try (Connection one = DriverManager.getConnection("jdbc:h2:mem:");
                Connection other = DriverManager.getConnection("jdbc:h2:mem:")) {
            moves(Target.H2, one, own -> H2Catalog.read(Catalog.of(own), "PUBLIC"));
            contradictionIsTold(Target.H2, other, own -> H2Catalog.read(Catalog.of(own), "PUBLIC"));
        }
    }
}
