package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.random.Rounds;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
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
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Random partitioned tables and children, migrated into other ones and back on a real server. */
class RandomHierarchiesOnPostgreSqlTest {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);
    private static final int PARTITIONS = 4;

    /** Makes scripts of the same tables in different states. */
    private static final class Tables {
        private final Random random;

        Tables(long seed) {
            this.random = new Random(seed);
        }

        private boolean some() {
            return random.nextBoolean();
        }

        private List<String> elements(String table, boolean keyed) {
            List<String> elements = new ArrayList<>();
            elements.add("k int NOT NULL" + (some() ? " DEFAULT 7" : ""));
            elements.add("a " + (some() ? "int" : "bigint") + (some() ? " DEFAULT 1" : ""));
            if (some()) {
                elements.add("b text" + (some() ? " DEFAULT 'none'" : ""));
            }
            if (some()) {
                elements.add("c numeric(6, 2)");
                elements.add("CONSTRAINT " + table + "_c CHECK (c > -" + (1 + random.nextInt(2)) + ")");
            }
            if (keyed && some()) {
                elements.add("CONSTRAINT " + table + "_pk PRIMARY KEY (k)");
            }
            if (some()) {
                elements.add("CONSTRAINT " + table + "_ref FOREIGN KEY (a) REFERENCES base");
            }
            return elements;
        }

        private void table(StringBuilder script, String name, List<String> elements, String tail) {
            script.append("CREATE TABLE ").append(name).append(" (").append(String.join(", ", elements)).append(")")
                    .append(tail).append(";\n");
            if (some() && (tail.contains("INHERITS") || elements.size() > 1)) {
                script.append("CREATE INDEX ").append(name).append("_a ON ").append(name).append(" (a);\n");
            }
        }

        /** By what the table is split stays the same, as nothing can change it; its partitions do not. */
        String script(String method) {
            StringBuilder script = new StringBuilder("CREATE TABLE base (id bigint PRIMARY KEY);\n");
            table(script, "whole", elements("whole", true), " PARTITION BY " + method + " (k)");
            for (int part = 0; part < PARTITIONS; part++) {
                int low = 10 * part;
                String bound = switch (method) {
                    case "RANGE" -> " FOR VALUES FROM (" + low + ") TO (" + (low + 5 + 5 * random.nextInt(2)) + ")";
                    case "LIST" -> " FOR VALUES IN (" + low + (some() ? "" : ", " + (low + 1)) + ")";
                    default -> " FOR VALUES WITH (MODULUS 4, REMAINDER " + part + ")";
                };
                switch (random.nextInt(4)) {
                    case 0 -> { }
                    case 1 -> table(script, "part" + part, elements("part" + part, true), "");
                    default -> script.append("CREATE TABLE part").append(part).append(" PARTITION OF whole")
                            .append(some() ? "" : " (a DEFAULT 9, CONSTRAINT own" + part + " CHECK (a < 1000))")
                            .append(bound).append(";\n");
                }
            }
            table(script, "parent", elements("parent", false), "");
            if (some()) {
                table(script, "child", List.of("d int"), some() ? " INHERITS (parent)" : "");
            } else {
                table(script, "child", List.of("b text NOT NULL", "d int"), " INHERITS (parent)");
            }
            return script.toString();
        }
    }

    private static Schema read(String script) {
        Reading reading = ScriptReader.read(script, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).as(script).isEmpty();
        return EngineSchema.of(reading.schema(), Target.POSTGRESQL, DIALECT);
    }

    private static Schema live(Connection connection) throws SQLException {
        return EngineSchema.of(LiveCatalog.read(connection, Target.POSTGRESQL, Optional.empty()), Target.POSTGRESQL,
                DIALECT);
    }

    private static void arrives(Connection connection, Schema wanted, String about) throws SQLException {
        Schema from = live(connection);
        Migration migration = Migration.of(from, wanted, DIALECT, RenameMap.NONE, Fills.NONE);
        Execution done = Execution.of(connection, migration);
        assertThat(done.failed().map(text -> text + ": " + done.message())).as("%s\n%s", about, migration.text("it"))
                .isEmpty();
        assertThat(Comparison.of(live(connection), wanted, DIALECT, RenameMap.NONE).differences())
                .as("%s\n%s", about, migration.text("it")).isEmpty();
        Schema foretold = read(new ScriptWriter(DIALECT, ScriptOptions.DEFAULT).writeAgain(from, "it").text()
                + migration.text("it"));
        assertThat(Comparison.of(foretold, wanted, DIALECT, RenameMap.NONE).differences())
                .as("foretold %s\n%s", about, migration.text("it")).isEmpty();
    }

    private static List<Long> seeds() {
        return IntStream.range(0, Rounds.of(24)).mapToObj(seed -> (long) seed).toList();
    }

    @Test
    void eachStateIsReachedFromEachOther() throws Exception {
        try (EmbeddedPostgres server = EmbeddedPostgres.builder()
                .setOverrideWorkingDirectory(new File("target/pg").getAbsoluteFile()).start()) {
            FreshDatabases fresh = FreshDatabases.of(server);
            for (long seed : seeds()) {
                String method = List.of("RANGE", "LIST", "HASH").get((int) (seed % 3));
                Tables tables = new Tables(seed);
                String before = tables.script(method);
                String after = tables.script(method);
                try (Connection connection = fresh.fresh("random" + seed);
                        Statement statement = connection.createStatement()) {
                    statement.execute(before);
                    String about = "seed " + seed + "\n" + before + "->\n" + after;
                    assertThat(Comparison.of(live(connection), read(before), DIALECT, RenameMap.NONE).differences())
                            .as(about).isEmpty();
                    arrives(connection, read(after), about);
                    arrives(connection, read(before), about);
                }
            }
        }
    }
}
