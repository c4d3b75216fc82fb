package entaxis.engines.review;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart;
import entaxis.core.review.Finding;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import entaxis.core.small.Small;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * What is said of indexes, held against the plans that engines choose on filled tables: a reference is told to have
 * none, or one in the wrong order, exactly where a search by it reads the whole table, and not after the remedy; an
 * index is told to be there twice where searches by its columns need no more than the other one.
 */
class IndexPlansTest {
    private static final int ROWS = 4000;
    private static final int DESIGNS = Integer.getInteger("review.plans", 8);
    private static final Cardinality ONE = Cardinality.EXACTLY_ONE;
    private static final Cardinality MANY = Cardinality.ZERO_OR_MORE;

    /** The plan of a query, as text. */
    private interface Plans {
        String of(Statement statement, String query) throws SQLException;
    }

    private interface Opening {
        Connection open(String name) throws SQLException;
    }

    /**
     * A jar that stands on a shelf and belongs to a lot, each reference part of its key or not, with indexes by chance.
     */
    private static Design design(Random random, Target target) {
        boolean first = random.nextBoolean();
        boolean second = random.nextBoolean();
        Small small =
                new Small().entity("Shelf", "shelf_no integer primary key").entity("Lot", "lot_no integer primary key")
                        .entity("Jar", first || second ? "position integer primary key" : "jar_no integer primary key",
                                "weight integer not null", "colour integer not null")
                        .relate("Shelf", "holds", ONE, "Jar", "stands on", MANY, first)
                        .relate("Lot", "fills", ONE, "Jar", "comes from", MANY, second);
        Entity jar = small.find("Jar");
        List<KeyPart> parts = new ArrayList<>();
        jar.attributes().forEach(own -> parts.add(new KeyPart.OwnPart(own.id())));
        small.design().relationships().forEach(one -> parts.add(new KeyPart.InheritedPart(one.id())));
        List<Index> indexes = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            List<KeyPart> left = new ArrayList<>(parts);
            List<IndexPart> chosen = new ArrayList<>();
            for (int j = 1 + random.nextInt(3); j > 0; j--) {
                chosen.add(new IndexPart(left.remove(random.nextInt(left.size())), false));
            }
            if (indexes.stream().noneMatch(one -> one.parts().equals(chosen))) {
                indexes.add(new Index("ix_" + i, false, chosen));
            }
        }
        small.done(new Change.SetIndexes(jar.id(), indexes))
                .done(new Change.SetFacts(small.design().facts().on(target)));
        return small.design();
    }

    private static List<Finding> findings(Design design, String rule) {
        return Review.of(Reviewed.of(design, Derivation.of(design)), Policy.DEFAULT).findings().stream()
                .filter(finding -> finding.rule().equals(rule)).toList();
    }

    private static Design remedied(Design design, Finding finding) {
        return ((Applied) Editor.apply(design, finding.remedies().getFirst().change())).design();
    }

    /** Makes the tables and fills them with rows in which each reference is to one of many. */
    private static Table filled(Design design, Statement statement) throws SQLException {
        Dialect dialect = Dialect.of(design.facts().target());
        for (Script.Statement one : new ScriptWriter(dialect, ScriptOptions.DEFAULT)
                .write(Derivation.of(design).schema(), "plans").statements()) {
            statement.execute(one.text());
        }
        Table jar = Derivation.of(design).schema().table("jar").orElseThrow();
        for (String parent : List.of("shelf", "lot")) {
            statement.execute("INSERT INTO " + parent
                    + " WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL "
                    + "SELECT i + 1 FROM n WHERE i < 1000) SELECT i FROM n");
        }
        String values = String.join(", ", jar.columns().stream().map(column -> switch (column.name()) {
            case "jar_no", "position" -> "i";
            default -> "(i * " + (37 + column.name().length() * 2) + ") % 1000 + 1";
        }).toList());
        String names = String.join(", ", jar.columns().stream().map(column -> dialect.name(column.name())).toList());
        statement.execute("INSERT INTO jar (" + names
                + ") WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < " + ROWS + ") SELECT "
                + values + " FROM n");
        statement.execute("ANALYZE jar");
        return jar;
    }

    private static boolean readsAll(String plan) {
        return plan.contains("Seq Scan on jar") || plan.contains("SCAN jar");
    }

    private static boolean toldBare(Design design, ForeignKey key) {
        String reference = Derivation.of(design).tables().values().stream()
                .flatMap(table -> table.relationship(key).stream()).findFirst().orElseThrow().value();
        return List.of("key-order", "reference-without-index").stream().flatMap(rule -> findings(design, rule).stream())
                .anyMatch(finding -> finding.about().stream().anyMatch(about -> about.id().equals(reference)));
    }

    private static void hold(Target target, Opening opening, Plans plans) throws SQLException {
        Map<String, Integer> seen = new TreeMap<>();
        for (int seed = 0; seed < DESIGNS; seed++) {
            Design design = design(new Random(seed), target);
            String as = target + " " + seed;
            try (Connection connection = opening.open("a" + seed); Statement statement = connection.createStatement()) {
                Table jar = filled(design, statement);
                for (ForeignKey key : jar.foreignKeys()) {
                    String plan = plans.of(statement, "SELECT * FROM jar WHERE " + key.columns().getFirst() + " = 17");
                    boolean told = toldBare(design, key);
                    assertThat(readsAll(plan))
                            .as("%s, %s told: %s\n%s\n%s", as, key.columns(), told, jar.indexes(), plan)
                            .isEqualTo(told);
                    seen.merge(told ? "told" : "served", 1, Integer::sum);
                }
            }
            Optional<Finding> next = List.of("key-order", "reference-without-index", "index-twice").stream()
                    .flatMap(rule -> findings(design, rule).stream()).findFirst();
            if (next.isPresent()) {
                remediesHelp(as, remediedAll(design), opening, "b" + seed, plans);
                seen.merge(next.get().rule(), 1, Integer::sum);
            }
        }
        assertThat(seen.keySet()).contains("told", "served", "key-order", "reference-without-index", "index-twice");
    }

    private static Design remediedAll(Design start) {
        Design design = start;
        for (String rule : List.of("index-twice", "key-order", "reference-without-index", "index-twice")) {
            for (List<Finding> open = findings(design, rule); !open.isEmpty(); open = findings(design, rule)) {
                design = remedied(design, open.getFirst());
            }
        }
        return design;
    }

    /**
     * After all remedies each reference and the first column of each index that was there are still found without
     * reading the whole table.
     */
    private static void remediesHelp(String as, Design design, Opening opening, String name, Plans plans)
            throws SQLException {
        try (Connection connection = opening.open(name); Statement statement = connection.createStatement()) {
            Table jar = filled(design, statement);
            for (ForeignKey key : jar.foreignKeys()) {
                String plan = plans.of(statement, "SELECT * FROM jar WHERE " + key.columns().getFirst() + " = 17");
                assertThat(readsAll(plan))
                        .as("%s, %s after the remedies\n%s\n%s", as, key.columns(), jar.indexes(), plan).isFalse();
            }
        }
    }

    /** An index that another one covers can go: what it found is found as before. */
    private static void twice(Target target, Opening opening, Plans plans) throws SQLException {
        int seen = 0;
        for (int seed = 100; seed < 100 + 2 * DESIGNS; seed++) {
            Design design = design(new Random(seed), target);
            List<Finding> told = findings(design, "index-twice");
            if (told.isEmpty()) {
                continue;
            }
            Design without = remedied(design, told.getFirst());
            Table before = Derivation.of(design).schema().table("jar").orElseThrow();
            List<String> after = Derivation.of(without).schema().table("jar").orElseThrow().indexes().stream()
                    .map(index -> index.name()).toList();
            var gone =
                    before.indexes().stream().filter(index -> !after.contains(index.name())).findFirst().orElseThrow();
            String columns =
                    String.join(" AND ", gone.columns().stream().map(column -> column.name() + " = 17").toList());
            try (Connection connection = opening.open("c" + seed); Statement statement = connection.createStatement()) {
                filled(without, statement);
                String plan = plans.of(statement, "SELECT * FROM jar WHERE " + columns);
                assertThat(readsAll(plan)).as("%s %d without %s: %s", target, seed, gone, plan).isFalse();
                seen++;
            }
        }
        assertThat(seen).isGreaterThan(DESIGNS / 5);
    }

    private static String postgreSqlPlan(Statement statement, String query) throws SQLException {
        return plan(statement, "EXPLAIN " + query, 1);
    }

    private static String sqlitePlan(Statement statement, String query) throws SQLException {
        return plan(statement, "EXPLAIN QUERY PLAN " + query, 4);
    }

    private static String plan(Statement statement, String explain, int column) throws SQLException {
        StringBuilder plan = new StringBuilder();
        try (ResultSet lines = statement.executeQuery(explain)) {
            while (lines.next()) {
                plan.append(lines.getString(column)).append('\n');
            }
        }
        return plan.toString();
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection admin = server.getPostgresDatabase().getConnection();
                Statement statement = admin.createStatement()) {
            Opening opening = name -> {
                statement.execute("create schema " + name);
                Connection connection = server.getPostgresDatabase().getConnection();
                connection.setSchema(name);
                return connection;
            };
            hold(Target.POSTGRESQL, opening, IndexPlansTest::postgreSqlPlan);
            twice(Target.POSTGRESQL, opening, IndexPlansTest::postgreSqlPlan);
        }
    }

    @Test
    void sqlite() throws SQLException {
        Opening opening = name -> DriverManager.getConnection("jdbc:sqlite::memory:");
        hold(Target.SQLITE, opening, IndexPlansTest::sqlitePlan);
        twice(Target.SQLITE, opening, IndexPlansTest::sqlitePlan);
    }
}
