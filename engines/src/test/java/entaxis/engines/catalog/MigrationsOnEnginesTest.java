package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.migration.Question;
import entaxis.core.migration.Step;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.RandomEdits;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.random.Rounds;
import entaxis.core.schema.Column;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.CreationOrder;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.duckdb.DuckDbCatalog;
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
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * Migrations between random schemas on real engines: what the catalog says afterwards is what was wanted, and every
 * value of a kept column is still there. Where the question that a step asks beforehand finds rows in the way, the
 * tables are emptied first; where it finds none, the step must not fail.
 */
class MigrationsOnEnginesTest {
    private static final int PAIRS = Rounds.of(12);
    private static final int FIRST = Integer.getInteger("migration.first", 0);

    /**
     * H2 copies a table under names made of its own, its constraints' and more, which are too long where these are very
     * long.
     */
    private static final int MAX_COPIED_LENGTH = 60;

    private interface Read {
        Schema from(Connection connection) throws SQLException;
    }

    private interface Fresh {
        Connection of(int seed) throws SQLException;
    }

    private Target engine = Target.H2;
    private Dialect dialect = Dialect.of(engine);
    private int pairs;
    private int backs;
    private int kept;
    private int emptied;

    private static Schema random(long seed) {
        Schema derived = Derivation.of(RandomDesigns.design(seed, (int) (3 + seed % 7))).schema();
        return new Schema(derived.types(),
                derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList());
    }

    private static void run(Target engine, Fresh fresh, Read read) throws SQLException {
        MigrationsOnEnginesTest test = new MigrationsOnEnginesTest();
        test.engine = engine;
        test.dialect = Dialect.of(engine);
        for (int seed = FIRST; test.pairs < PAIRS; seed++) {
            Schema start = random(seed);
            if (engine == Target.H2
                    && start.tables().stream().anyMatch(table -> table.name().length() > MAX_COPIED_LENGTH)) {
                continue;
            }
            test.pairs++;
            boolean related = seed % 4 != 3;
            RandomEdits edits = related ? RandomEdits.of(start, seed, 1 + seed % 10)
                    : new RandomEdits(random(seed + 9000), RenameMap.NONE);
            test.one(seed, DialectAdapter.fit(start, test.dialect).schema(),
                    DialectAdapter.fit(edits.schema(), test.dialect).schema(), edits.pairing(test.dialect), fresh,
                    read);
        }
        assertThat(test.kept).as("values kept on " + engine).isGreaterThan(test.pairs * 3);
        System.out.println("MigrationsOnEngines " + engine + ": " + test.pairs + " pairs, " + test.kept
                + " values kept, tables emptied for " + test.emptied + ", " + test.backs + " ways back");
    }

    private void one(int seed, Schema from, Schema to, RenameMap pairing, Fresh fresh, Read read) throws SQLException {
        String start = new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(from, "start").text();
        try (Connection connection = fresh.of(seed); Statement statement = connection.createStatement()) {
            for (var one : new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(from, "start").statements()) {
                statement.execute(one.text());
            }
            Schema found = read.from(connection);
            assertThat(differences(found, from)).as("%s %d as created\n%s", engine, seed, start).isEmpty();
            new RandomRows(connection, dialect, seed).fill(from);
            Migration migration = Migration.of(found, to, dialect, pairing, Fills.NONE);
            boolean inTheWay = false;
            for (Step step : migration.steps()) {
                inTheWay |= step.risk() == entaxis.core.reconcile.Risk.MAY_FAIL && step.questions().isEmpty();
                for (Question question : step.questions()) {
                    long rows = count(statement, question.sql(), seed);
                    inTheWay |= !question.loss() && rows > 0;
                }
            }
            if (inTheWay) {
                emptied++;
                empty(connection, from);
            }
            Map<String, List<String>> before = values(connection, found, to, pairing);
            for (String sql : migration.statements()) {
                try {
                    statement.execute(sql);
                } catch (SQLException e) {
                    throw new AssertionError(engine + " " + seed + " refuses: " + e.getMessage() + "\n" + sql + "\n\n"
                            + start + "\n-----\n" + migration.text("change"), e);
                }
            }
            Schema reached = read.from(connection);
            assertThat(differences(reached, to))
                    .as("%s %d\n%s\n-----\n%s", engine, seed, start, migration.text("change")).isEmpty();
            Map<String, List<String>> after = values(connection, to);
            if (migration.withoutWayBack().isEmpty()) {
                back(seed, found, reached, pairing, statement, connection, read, migration);
            }
            before.forEach((column, values) -> {
                kept += values.size();
                assertThat(after.get(column))
                        .as("%s %d: %s\n%s\n-----\n%s", engine, seed, column, start, migration.text("change"))
                        .isEqualTo(values);
            });
        }
    }

    /** The way back, where one is claimed: the same schema again. */
    private void back(int seed, Schema found, Schema reached, RenameMap pairing, Statement statement,
            Connection connection, Read read, Migration forth) throws SQLException {
        Migration back = Migration.of(reached, found, dialect, pairing.reversed(), Fills.NONE);
        boolean asks = false;
        for (Step step : back.steps()) {
            for (Question question : step.questions()) {
                asks |= !question.loss() && count(statement, question.sql(), seed) > 0;
            }
        }
        if (asks) {
            return;
        }
        for (String sql : back.statements()) {
            try {
                statement.execute(sql);
            } catch (SQLException e) {
                throw new AssertionError(engine + " " + seed + " refuses on the way back: " + e.getMessage() + "\n"
                        + sql + "\n\n" + forth.text("forth") + "\n-----\n" + back.text("back"), e);
            }
        }
        backs++;
        assertThat(differences(read.from(connection), found))
                .as("%s %d, back\n%s\n-----\n%s", engine, seed, forth.text("forth"), back.text("back")).isEmpty();
    }

    private List<Difference> differences(Schema from, Schema to) {
        return Comparison.of(from, to, dialect, RenameMap.NONE).differences();
    }

    private long count(Statement statement, String query, int seed) {
        try (ResultSet rows = statement.executeQuery(query)) {
            rows.next();
            return rows.getLong(1);
        } catch (SQLException e) {
            throw new AssertionError(engine + " " + seed + " refuses the question: " + e.getMessage() + "\n" + query,
                    e);
        }
    }

    private void empty(Connection connection, Schema schema) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            if (!dialect.addsForeignKeys() && engine != Target.SQLITE) {   // rows that refer to each other stay
                for (var one : new ScriptWriter(dialect, new ScriptOptions(true, true, Optional.empty()))
                        .write(schema, "again").statements()) {
                    statement.execute(one.text());
                }
                return;
            }
            String[] words = switch (engine) {
                case SQLITE -> new String[] {"PRAGMA foreign_keys = off", "PRAGMA foreign_keys = on"};
                case H2 -> new String[] {"SET REFERENTIAL_INTEGRITY FALSE", "SET REFERENTIAL_INTEGRITY TRUE"};
                case POSTGRESQL -> new String[] {"SET session_replication_role = replica",
                        "SET session_replication_role = DEFAULT"};
                default -> new String[] {"SET FOREIGN_KEY_CHECKS = 0", "SET FOREIGN_KEY_CHECKS = 1"};
            };
            statement.execute(words[0]);
            for (Table table : new CreationOrder(schema.tables()).tables().reversed()) {
                statement.execute("DELETE FROM " + dialect.name(table.name()));
            }
            statement.execute(words[1]);
        }
    }

    /** The values of columns that stay what they are, by their wanted place, in the order of the rows' texts. */
    private Map<String, List<String>> values(Connection connection, Schema from, Schema to, RenameMap pairing)
            throws SQLException {
        Map<String, List<String>> values = new HashMap<>();
        for (Table table : from.tables()) {
            String wanted = pairing.table(table.label());
            Optional<Table> after = to.table(wanted);
            for (Column column : table.columns()) {
                Optional<Column> same = after.flatMap(own -> own.column(pairing.column(wanted, column.name())))
                        .filter(own -> own.type().equals(column.type()) && own.generated().isEmpty()
                                && column.generated().isEmpty());
                if (same.isPresent()) {
                    values.put(wanted + "." + same.get().name(), read(connection, table.name(), column.name()));
                }
            }
        }
        return values;
    }

    private Map<String, List<String>> values(Connection connection, Schema schema) throws SQLException {
        Map<String, List<String>> values = new HashMap<>();
        for (Table table : schema.tables()) {
            for (Column column : table.columns()) {
                if (column.generated().isEmpty()) {
                    values.put(table.label() + "." + column.name(),
                            read(connection, table.name(), column.name()));
                }
            }
        }
        return values;
    }

    private List<String> read(Connection connection, String table, String column) throws SQLException {
        List<String> values = new ArrayList<>();
        try (Statement statement = connection.createStatement();
                ResultSet rows =
                        statement.executeQuery("SELECT " + dialect.name(column) + " FROM " + dialect.name(table))) {
            while (rows.next()) {
                values.add(String.valueOf(rows.getString(1)).toLowerCase(Locale.ROOT));
            }
        }
        values.sort(null);
        return values;
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            run(Target.POSTGRESQL, seed -> {
                Connection connection = server.getPostgresDatabase().getConnection();
                try (Statement statement = connection.createStatement()) {
                    statement.execute("create schema m" + seed);
                    statement.execute("set search_path to m" + seed);
                }
                return connection;
            }, connection -> PostgreSqlCatalog.read(Catalog.of(connection), connection.getSchema()));
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-migrations")) {
            run(Target.MARIADB, seed -> server.fresh("m"),
                    connection -> MariaDbCatalog.read(Catalog.of(connection), "m"));
        }
    }

    @Test
    void sqlite() throws SQLException {
        run(Target.SQLITE, seed -> DriverManager.getConnection("jdbc:sqlite::memory:"),
                own -> SqliteCatalog.read(Catalog.of(own)));
    }

    @Test
    void h2() throws SQLException {
        run(Target.H2, seed -> DriverManager.getConnection("jdbc:h2:mem:"),
                connection -> H2Catalog.read(Catalog.of(connection), "PUBLIC"));
    }

    @Test
    void duckDb() throws SQLException {
        run(Target.DUCKDB, seed -> DriverManager.getConnection("jdbc:duckdb:"),
                connection -> DuckDbCatalog.read(Catalog.of(connection), "main"));
    }
}
