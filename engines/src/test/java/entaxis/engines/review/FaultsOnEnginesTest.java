package entaxis.engines.review;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.review.About;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.InsertWriter;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.RealMariaDb;
import io.zonky.test.db.postgres.embedded.EmbeddedPostgres;
import java.io.File;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/**
 * What is called a fault is refused by the engine that it is told for, when the table is made or when the first row is
 * put in, and a design without a fault is accepted as a whole: random designs with faults put in and without, on
 * engines that run here.
 */
class FaultsOnEnginesTest {
    private static final int DESIGNS = Integer.getInteger("review.designs", 14);

    private interface Opening {
        Connection open(String name) throws SQLException;
    }

    /** One design on one engine. */
    private static final class Trial {
        private final String as;
        private final Design design;
        private final Map<AttributeId, String> fit;
        private final Dialect dialect;
        private final Statement statement;
        private final Derivation derivation;
        private final Map<OwnerId, DerivedTable> tables = new HashMap<>();
        private final Set<OwnerId> refused = new HashSet<>();
        private final Map<String, Integer> held;
        private final List<Finding> findings;
        private final List<Finding> faults;
        private int number = 100;

        Trial(FaultyDesigns.Made made, Dialect dialect, Statement statement, String as, Map<String, Integer> held) {
            this.as = as;
            this.design = made.design();
            this.fit = made.fit();
            this.dialect = dialect;
            this.statement = statement;
            this.held = held;
            this.derivation = Derivation.of(design);
            this.findings = Review.of(new Reviewed(design, derivation, dialect), Policy.DEFAULT).findings();
            this.faults = findings.stream().filter(finding -> finding.level() == Level.FAULT).toList();
        }

        void run() {
            Schema schema = derivation.schema();
            List<Table> held = DialectAdapter.fit(schema, dialect).schema().tables();
            derivation.tables().values().forEach(derived -> tables.put(derived.element(),
                    as(derived, held.get(tables.size()))));
            Script script = new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(schema, "faults");
            for (Script.Statement one : script.statements()) {
                Optional<String> why = refusal(one.text());
                if (why.isPresent()) {
                    tables.values().stream()
                            .filter(table -> one.table().equals(Optional.of(table.table().qualifiedName())))
                            .forEach(table -> refused.add(table.element()));
                    assertThat(faults)
                            .as("%s refuses a table of a design without a fault: %s\n%s", as, why.get(), one.text())
                            .isNotEmpty();
                }
            }
            rows();
            design.entities().forEach(this::attributes);
            faults.stream().filter(fault -> fault.rule().equals("mandatory-cycle")).forEach(this::ring);
            faults.stream().filter(fault -> fault.rule().equals("set-null-required")).forEach(this::emptied);
            assertThat(faults).as(as).allMatch(fault -> Set
                    .of("row-breaks-rule", "default-unfit", "check-never", "mandatory-cycle", "set-null-required")
                    .contains(fault.rule()));
        }

        /** A derived table with the types and names of the engine. */
        private static DerivedTable as(DerivedTable derived, Table held) {
            List<DerivedColumn> columns = new ArrayList<>();
            for (int i = 0; i < held.columns().size(); i++) {
                columns.add(new DerivedColumn(derived.columns().get(i).path(), held.columns().get(i)));
            }
            return new DerivedTable(derived.element(), held, columns, derived.relationships());
        }

        private Optional<String> refusal(String sql) {
            try {
                statement.execute(sql);
                return Optional.empty();
            } catch (SQLException e) {
                return Optional.of(e.getMessage());
            }
        }

        private boolean faulty(String rule, Entity entity) {
            return faults.stream().anyMatch(fault -> (rule.isEmpty() || fault.rule().equals(rule))
                    && fault.about().stream().anyMatch(about -> about.id().equals(entity.id().value())));
        }

        private void holds(String rule) {
            held.merge(rule, 1, Integer::sum);
        }

        /**
         * Sample rows without a fault are taken, those with one are not; rows that hang on others that are not there
         * are left out.
         */
        private void rows() {
            Set<RowId> missing = new HashSet<>();
            design.rows().forEach(row -> {
                if (!findingsOf(row).isEmpty()) {
                    missing.add(row.id());
                }
            });
            for (boolean withFault : List.of(false, true)) {
                for (Entity entity : design.entities()) {
                    rowsOf(entity.id()).stream().filter(row -> findingsOf(row).isEmpty() != withFault)
                            .forEach(row -> row(entity, row, missing));
                }
            }
        }

        private void row(Entity entity, SampleRow row, Set<RowId> missing) {
            List<Finding> told = findingsOf(row);
            boolean doubtful = !told.isEmpty() && told.stream().noneMatch(one -> one.level() == Level.FAULT);
            String sql = new InsertWriter(dialect).write(tables.get(entity.id()), row);
            Optional<String> why = refusal(sql);
            boolean unmade = refused.contains(entity.id()) || faulty("mandatory-cycle", entity);
            if (doubtful) {
                why.ifPresent(any -> missing.add(row.id()));
            } else if (!told.isEmpty()) {
                boolean byItself = told.stream().anyMatch(
                        fault -> fault.level() == Level.FAULT && !fault.sentence().contains("has the same key")
                                && !fault.sentence().contains("there is no row"));
                if (byItself || !unmade && rowsOf(entity.id()).stream().filter(other -> other != row)
                        .noneMatch(other -> missing.contains(other.id())) && !hangs(entity, row, missing)) {
                    assertThat(why).as("%s: a row called faulty is taken: %s\n%s", as, sql, told).isPresent();
                    holds("row-breaks-rule");
                }
            } else if (why.isEmpty()) {
                holds("row taken");
            } else {
                boolean byDefault = findings.stream()
                        .anyMatch(one -> one.rule().equals("default-unfit")
                                && one.about().getFirst().id().equals(entity.id().value()))
                        && row.values().containsValue("");
                assertThat(unmade || byDefault || hangs(entity, row, missing))
                        .as("%s: a row without a fault is refused: %s\n%s\n%s", as, sql, why, tables.get(entity.id()))
                        .isTrue();
                missing.add(row.id());
            }
        }

        private List<SampleRow> rowsOf(OwnerId owner) {
            return design.rows().stream().filter(row -> row.table().equals(owner)).toList();
        }

        private List<Finding> findingsOf(SampleRow row) {
            About about = new About(About.Kind.ROW, row.table().toString(),
                    tables.get(row.table()).name() + " row " + (rowsOf(row.table()).indexOf(row) + 1));
            return findings.stream()
                    .filter(one -> one.rule().equals("row-breaks-rule") && one.about().getFirst().equals(about))
                    .toList();
        }

        /** Whether a row refers to one that could not be put in, or to a table that is not there. */
        private boolean hangs(Entity entity, SampleRow row, Set<RowId> missing) {
            return design.relationships().stream().filter(one -> one.childEntity().equals(Optional.of(entity.id())))
                    .anyMatch(one -> {
                        String wanted = row.values().entrySet().stream()
                                .filter(cell -> cell.getKey().migrated()
                                        && cell.getKey().hops().getFirst().relationship().equals(one.id()))
                        .map(Map.Entry::getValue).findFirst().orElse("");
                Entity parent = design.entities().get(one.parentEntity().orElseThrow());
                ColumnPath key = ColumnPath.own(parent.attributes().getFirst().id());
                return refused.contains(parent.id()) || faulty("mandatory-cycle", parent)
                                || rowsOf(parent.id()).stream()
                                        .filter(other -> other.values().getOrDefault(key, "").equals(wanted))
                                        .anyMatch(other -> missing.contains(other.id()));
            });
        }

        private void attributes(Entity entity) {
            for (Attribute own : entity.attributes()) {
                About about = new About(About.Kind.ATTRIBUTE, entity.id().value(),
                        tables.get(entity.id()).name() + "." + own.name());
                boolean unfit = told("default-unfit", about);
                boolean never = told("check-never", about);
                if (own.defaultValue().isPresent() && !never && !doubtful(about) && others(entity, own)) {
                    Optional<String> why =
                            refused.contains(entity.id()) ? Optional.of("") : put(entity, Map.of(own.id(), ""));
                    if (why.isEmpty() || unfit || !refused.contains(entity.id())) {
                        assertThat(why.isPresent())
                                .as("%s: default of %s %s %s", as, about, tables.get(entity.id()), why)
                                .isEqualTo(unfit);
                        holds(unfit ? "default-unfit" : "default taken");
                    }
                }
                if (never && others(entity, own)) {
                    for (String value : List.of("a", "b", "abc", "abd", "dry", "chilled", "0", "1", "2", "4", "5", "7",
                            "9", "10", "40", "50", "10.005", "-3", "3000", "2026-04-15",
                            "2026-05-01", "true", fit.get(own.id()))) {
                        Optional<String> why =
                                refused.contains(entity.id()) ? Optional.of("") : put(entity, Map.of(own.id(), value));
                        assertThat(why).as("%s: %s meets %s", as, value, own.check()).isPresent();
                    }
                    holds("check-never");
                }
            }
        }

        /** Whether nothing but one attribute stands in the way of a row. */
        private boolean others(Entity entity, Attribute but) {
            boolean own = entity.attributes().stream().filter(one -> one != but)
                    .noneMatch(one -> told("check-never", new About(About.Kind.ATTRIBUTE, entity.id().value(),
                            tables.get(entity.id()).name() + "." + one.name())));
            return own && !faulty("mandatory-cycle", entity) && parents(entity)
                    .allMatch(parent -> !refused.contains(parent.id()) && !faulty("mandatory-cycle", parent)
                            && !faulty("check-never", parent) && parents(parent)
                                    .allMatch(above -> !refused.contains(above.id()) && !faulty("check-never", above)));
        }

        private java.util.stream.Stream<Entity> parents(Entity entity) {
            return design.relationships().stream()
                    .filter(one -> one.childEntity().equals(Optional.of(entity.id()))
                            && !one.parentEntity().equals(Optional.of(entity.id()))
                            && !one.end(one.parent().orElseThrow()).cardinality().optional())
                    .map(one -> design.entities().get(one.parentEntity().orElseThrow()));
        }

        /** Whether a default may be refused or not: what is the matter is said as a caution. */
        private boolean doubtful(About about) {
            return findings.stream().anyMatch(one -> one.level() == Level.CAUTION
                    && Set.of("default-unfit", "check-never").contains(one.rule()) && one.about().contains(about));
        }

        private boolean told(String rule, About about) {
            return faults.stream().anyMatch(fault -> fault.rule().equals(rule) && fault.about().contains(about));
        }

        /** Puts in a row of values that fit, save some, with the rows that it needs; why it is refused. */
        private Optional<String> put(Entity entity, Map<AttributeId, String> instead) {
            int own = number++;
            Map<ColumnPath, String> values = new HashMap<>();
            DerivedTable table = tables.get(entity.id());
            for (ColumnPath path : table.paths()) {
                if (path.migrated()) {
                    RelationshipId reference = path.hops().getFirst().relationship();
                    Relationship relationship = design.relationships().get(reference);
                    if (!relationship.end(relationship.parent().orElseThrow()).cardinality().optional()) {
                        int parent = number;
                        Optional<String> why =
                                put(design.entities().get(relationship.parentEntity().orElseThrow()), Map.of());
                        assertThat(why).as("%s: the row above %s", as, table.name()).isEmpty();
                        values.put(path, String.valueOf(parent));
                    }
                } else {
                    values.put(path, instead.getOrDefault(path.attribute(),
                            fit.getOrDefault(path.attribute(), String.valueOf(own))));
                }
            }
            return refusal(new InsertWriter(dialect).write(table, new SampleRow(new RowId("w0"), entity.id(), values)));
        }

        private void ring(Finding fault) {
            for (Entity entity : refused.isEmpty() ? design.entities() : List.<Entity>of()) {
                if (fault.about().stream().anyMatch(about -> about.id().equals(entity.id().value()))) {
                    Map<ColumnPath, String> values = new HashMap<>();
                    tables.get(entity.id()).paths()
                            .forEach(path -> values.put(path, fit.getOrDefault(path.attribute(), "1")));
                    Optional<String> why = refusal(new InsertWriter(dialect).write(tables.get(entity.id()),
                            new SampleRow(new RowId("w0"), entity.id(), values)));
                    assertThat(why).as("%s: a first row of %s", as, entity.name()).isPresent();
                    holds("mandatory-cycle");
                }
            }
        }

        private void emptied(Finding fault) {
            Relationship reference = design.relationships().get(new RelationshipId(fault.about().getFirst().id()));
            Entity child = design.entities().get(reference.childEntity().orElseThrow());
            Entity parent = design.entities().get(reference.parentEntity().orElseThrow());
            if (refused.contains(child.id())) {
                holds("set-null-required");
            } else if (!faulty("check-never", child) && !refused.contains(parent.id())
                    && others(child, child.attributes().getFirst())
                    && put(child, Map.of()).isEmpty()) {
                String key = dialect.name(tables.get(parent.id()).table().keyColumns().getFirst());
                String sql =
                        "DELETE FROM " + dialect.name(tables.get(parent.id()).name()) + " WHERE " + key + " >= 100";
                assertThat(refusal(sql)).as("%s: %s", as, sql).isPresent();
                holds("set-null-required");
            }
        }
    }

    private static void faultsAreTrue(Target target, Opening opening) throws SQLException {
        Map<String, Integer> held = new TreeMap<>();
        for (int seed = 0; seed < DESIGNS; seed++) {
            for (boolean faults : List.of(true, false)) {
                String name = "f" + seed + (faults ? "x" : "y");
                FaultyDesigns.Made made = FaultyDesigns.of(seed, faults, target);
                try (Connection connection = opening.open(name); Statement statement = connection.createStatement()) {
                    statement.setEscapeProcessing(false);
                    Trial trial = new Trial(made, Dialect.of(target), statement, target + " " + name, held);
                    if (!faults) {
                        assertThat(trial.faults).as("%s %s", target, name).isEmpty();
                    }
                    trial.run();
                }
            }
        }
        assertThat(held.keySet()).contains("row-breaks-rule", "row taken", "default taken", "check-never",
                "mandatory-cycle", "set-null-required");
    }

    @Test
    void postgreSql() throws Exception {
        try (EmbeddedPostgres server =
                EmbeddedPostgres.builder().setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start();
                Connection admin = server.getPostgresDatabase().getConnection();
                Statement statement = admin.createStatement()) {
            faultsAreTrue(Target.POSTGRESQL, name -> {
                statement.execute("create schema " + name);
                Connection connection = server.getPostgresDatabase().getConnection();
                connection.setSchema(name);
                return connection;
            });
        }
    }

    @Test
    void mariaDb() throws Exception {
        try (RealMariaDb server = new RealMariaDb("maria-faults")) {
            faultsAreTrue(Target.MARIADB, name -> server.fresh("faults"));
        }
    }

    @Test
    void sqlite() throws SQLException {
        faultsAreTrue(Target.SQLITE, name -> {
            Connection connection = DriverManager.getConnection("jdbc:sqlite::memory:");
            try (Statement statement = connection.createStatement()) {
                statement.execute("pragma foreign_keys = on");
            }
            return connection;
        });
    }

    @Test
    void h2() throws SQLException {
        faultsAreTrue(Target.H2, name -> DriverManager.getConnection("jdbc:h2:mem:"));
    }
}
