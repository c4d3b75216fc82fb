package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Fresh;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.migration.ScriptModel;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.Rename;
import entaxis.core.reconcile.RenameFinder;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.SchemaRenaming;
import entaxis.core.reconcile.Split;
import entaxis.core.reconcile.SplitFinder;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.targets.Target;
import entaxis.core.update.DesignUpdate;
import entaxis.core.update.Updated;
import entaxis.engines.migration.Execution;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;

/**
 * Somebody changes a live database by plain SQL: each change is told once and nothing else is, the script takes a
 * database without the change to where the other is, with its rows, and the way back leads back.
 */
class DriftOnEnginesTest {
    /** Changes by what they are, each with its statements. */
    private static final Map<String, List<String>> POSTGRESQL = Drifts.read("drift/postgresql.sql");
    private static final Map<String, List<String>> MARIADB = Drifts.read("drift/mariadb.sql");
    private static final Map<String, List<String>> SQLITE = Drifts.read("drift/sqlite.sql");
    private static final Map<String, List<String>> H2 = Drifts.read("drift/h2.sql");

    private static final Map<String, List<String>> DUCKDB = Drifts.read("drift/duckdb.sql");

    private static final int AT_ONCE = 10;

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            drifts(Target.POSTGRESQL, POSTGRESQL, FreshDatabases.of(server));
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-drift").withAccounts()) {
            drifts(Target.MARIADB, MARIADB, server::fresh);
        }
    }

    @Test
    void sqlite() throws Exception {
        drifts(Target.SQLITE, SQLITE, FreshDatabases.SQLITE);
    }

    @Test
    void h2() throws Exception {
        drifts(Target.H2, H2, FreshDatabases.H2);
    }

    @Test
    void duckDb() throws Exception {
        drifts(Target.DUCKDB, DUCKDB, FreshDatabases.DUCKDB);
    }

    private static void drifts(Target engine, Map<String, List<String>> changes, FreshDatabases fresh)
            throws SQLException {
        SoftAssertions all = new SoftAssertions();
        int number = 0;
        Connection before = based(fresh, "standing", changes);
        for (Map.Entry<String, List<String>> change : changes.entrySet()) {
            if (!change.getKey().equals("base")) {
                int failures = all.errorsCollected().size();
                try (Connection after = based(fresh, "after" + ++number, changes)) {
                    run(after, change.getValue());
                    drift(engine, change.getKey(), before, after, all);
                }
                if (all.errorsCollected().size() > failures) {
                    before.close();
                    before = based(fresh, "standing" + number, changes);
                }
            }
        }
        before.close();
        all.assertAll();
        assertThat(number).isGreaterThan(20);
        manyAtOnce(engine, changes, fresh, all);
        all.assertAll();
    }

    /** Ten changes in one database; one that an earlier one rules out is passed over. */
    private static void manyAtOnce(Target engine, Map<String, List<String>> changes, FreshDatabases fresh,
            SoftAssertions all)
            throws SQLException {
        List<String> names = changes.keySet().stream().filter(name -> !name.equals("base")).toList();
        for (int begin = 0; begin < names.size(); begin += AT_ONCE) {
            try (Connection before = based(fresh, "many" + begin, changes);
                    Connection after = based(fresh, "all" + begin, changes)) {
                for (String name : names.subList(begin, Math.min(names.size(), begin + AT_ONCE))) {
                    try {
                        run(after, changes.get(name));
                    } catch (SQLException ruledOut) {
                        continue;
                    }
                }
                carriedOut(engine, "ten at once from " + begin, before, after, all);
            }
        }
    }

    private static void drift(Target engine, String what, Connection before, Connection after, SoftAssertions all)
            throws SQLException {
        Dialect dialect = Dialect.of(engine);
        Schema from = live(before, dialect);
        Schema to = live(after, dialect);
        RenameMap pairing = pairing(from, to, dialect);
        List<String> told = told(from, to, dialect, pairing);
        all.assertThat(told).as("%s: %s is told once", engine, what).hasSize(what.endsWith("told twice") ? 2 : 1);
        designFollows(engine, what, from, to, all);
        carriedOut(engine, what, before, after, all);
    }

    /** The design of the database before the change is brought up to date with the database after it. */
    private static void designFollows(Target engine, String what, Schema from, Schema to, SoftAssertions all) {
        Dialect dialect = Dialect.of(engine);
        int[] fresh = {0};
        Fresh ids = letter -> letter + "" + ++fresh[0];
        Design design = ReverseEngineering.reverse(IsoNormalizer.of(from, dialect),
                new DesignProperties("Vault", engine, "", ""),
                new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(), ids).design();
        Schema want = EngineSchema.ofDesign(Derivation.of(design).schema(), dialect);
        Set<String> apart = apart(from, want, dialect).map(DriftOnEnginesTest::place).collect(Collectors.toSet());
        RenameMap pairing = pairing(to, want, dialect);
        DifferenceWords words = new DifferenceWords("the database", "the design");
        Updated updated = DesignUpdate.of(design, Derivation.of(design), SchemaRenaming.apply(to, pairing, dialect),
                dialect, Comparison.of(to, want, dialect, pairing).differences(), words, ids);
        List<String> left = apart(to, EngineSchema.ofDesign(Derivation.of(updated.design()).schema(), dialect), dialect)
                .filter(difference -> !apart.contains(place(difference)))
                .filter(difference -> updated.left().stream().noneMatch(told -> told.contains(
                        difference.name().isEmpty() ? difference.table() : difference.name())))
                .map(words::sentence).toList();
        all.assertThat(left).as("%s: what is left when the design takes over that %s", engine, what).isEmpty();
    }

    private static Stream<Difference> apart(Schema from, Schema to, Dialect dialect) {
        return Comparison.of(EngineSchema.aligned(from, to, dialect), to, dialect, RenameMap.NONE).differences()
                .stream();
    }

    /** What a design says otherwise however its tables are called: names of constraints follow its rules. */
    private static String place(Difference difference) {
        return difference.part() + " " + (difference.renamesConstraint() ? "" : difference.name()) + " "
                + difference.aspect();
    }

    private static void carriedOut(Target engine, String what, Connection before, Connection after, SoftAssertions all)
            throws SQLException {
        Dialect dialect = Dialect.of(engine);
        Schema from = live(before, dialect);
        Schema to = live(after, dialect);
        RenameMap pairing = pairing(from, to, dialect);
        Map<String, Long> rows = rows(before, from, dialect);
        Migration there = Migration.of(from, to, dialect, pairing, Fills.NONE);
        all.assertThat(ScriptModel.stop(from, there)).as("%s: %s on paper", engine, what).isEmpty();
        Execution done = Execution.of(before, there);
        all.assertThat(done.failed().map(text -> text + ": " + done.message())).as("%s: %s", engine, what).isEmpty();
        Schema reached = live(before, dialect);
        all.assertThat(told(reached, to, dialect, RenameMap.NONE)).as("%s: %s is carried out", engine, what).isEmpty();
        for (Table table : reached.tables()) {
            String had = pairing.reversed().table(table.name());
            all.assertThat(rows(before, reached, dialect).get(table.name()))
                    .as("%s: %s keeps the rows of %s", engine, what, table.name())
                    .isEqualTo(rows.getOrDefault(had, rows(before, reached, dialect).get(table.name())));
        }
        for (Split split : pairing.splits()) {
            all.assertThat(rows(before, reached, dialect).get(split.into()))
                    .as("%s: %s moves the values to %s", engine, what, split.into())
                    .isEqualTo(rows.get(pairing.reversed().table(split.table()))).isPositive();
        }
        RenameMap back = pairing(reached, from, dialect);
        Execution undone = Execution.of(before, Migration.of(reached, from, dialect, back, Fills.NONE));
        all.assertThat(undone.failed().map(text -> text + ": " + undone.message())).as("%s: %s back", engine, what)
                .isEmpty();
        all.assertThat(told(live(before, dialect), from, dialect, RenameMap.NONE)).as("%s: %s back", engine, what)
                .isEmpty();
    }

    private static Schema live(Connection connection, Dialect dialect) throws SQLException {
        return EngineSchema.of(LiveCatalog.read(connection, dialect.target(), Optional.empty()), dialect.target(),
                dialect);
    }

    private static RenameMap pairing(Schema from, Schema to, Dialect dialect) {
        RenameMap pairing = RenameMap.NONE;
        for (Rename rename : RenameFinder.find(from, to, dialect)) {
            pairing = rename.into(pairing);
        }
        for (Split split : SplitFinder.find(SchemaRenaming.apply(from, pairing, dialect), to, dialect)) {
            pairing = split.into(pairing);
        }
        return pairing;
    }

    private static List<String> told(Schema from, Schema to, Dialect dialect, RenameMap pairing) {
        return Comparison.of(EngineSchema.aligned(from, to, dialect), to, dialect, pairing).differences().stream()
                .map(new DifferenceWords("one", "the other")::sentence).toList();
    }

    private static Map<String, Long> rows(Connection connection, Schema schema, Dialect dialect) throws SQLException {
        Map<String, Long> rows = new TreeMap<>();
        try (Statement statement = connection.createStatement()) {
            for (Table table : schema.tables()) {
                try (ResultSet count = statement.executeQuery("select count(*) from " + dialect.name(table.name()))) {
                    count.next();
                    rows.put(table.name(), count.getLong(1));
                }
            }
        }
        return rows;
    }

    private static Connection based(FreshDatabases fresh, String name, Map<String, List<String>> changes)
            throws SQLException {
        Connection connection = fresh.fresh(name);
        run(connection, changes.get("base"));
        return connection;
    }

    private static void run(Connection connection, List<String> statements) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            for (String text : statements) {
                statement.execute(text);
            }
        }
    }
}
