package entaxis.core.update;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.change.Problem;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Entity;
import entaxis.core.design.Paper;
import entaxis.core.design.Partitions.Partition;
import entaxis.core.design.Partitions.Split;
import entaxis.core.design.Partitions;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Dependents;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.reverse.ReversedRows;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning.Method;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.AdaptationNote;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Partitions of a database in a design: parts of an entity, on their way there and back. */
class PartitionedDesignTest {
    private static final Dialect POSTGRESQL = Dialect.of(Target.POSTGRESQL);
    private static final DifferenceWords WORDS = new DifferenceWords("the database", "the design");
    private static final String WHOLE = """
            CREATE TABLE vault (id int PRIMARY KEY);
            CREATE TABLE reading (sensor int NOT NULL, day date NOT NULL, vault int REFERENCES vault,
                CONSTRAINT pk_reading PRIMARY KEY (sensor, day)) PARTITION BY RANGE (day);
            CREATE INDEX ix_reading_vault ON reading (vault);
            """;
    private static final String PARTITIONS = """
            CREATE TABLE reading_2024 PARTITION OF reading FOR VALUES FROM ('2024-01-01') TO ('2025-01-01');
            CREATE TABLE reading_rest PARTITION OF reading DEFAULT PARTITION BY HASH (sensor);
            CREATE TABLE reading_rest_0 PARTITION OF reading_rest FOR VALUES WITH (MODULUS 1, REMAINDER 0);
            """;
    private int next;

    private String id(char kind) {
        return kind + "z" + Integer.toString(++next, 36);
    }

    private static Schema read(String script) {
        Reading reading = ScriptReader.read(script, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return EngineSchema.of(reading.schema(), Target.POSTGRESQL, POSTGRESQL);
    }

    private ReversedDesign reversedWhole(String script) {
        return ReverseEngineering.reverse(IsoNormalizer.of(read(script), POSTGRESQL),
                new DesignProperties("Vault", Target.POSTGRESQL, "", ""),
                new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(), this::id);
    }

    private Design reversed(String script) {
        return reversedWhole(script).design();
    }

    private static Schema derived(Design design) {
        return EngineSchema.ofDesign(Derivation.of(design).schema(), POSTGRESQL);
    }

    private static List<Difference> apart(Design design, String script) {
        return Comparison.of(read(script), derived(design), POSTGRESQL, RenameMap.NONE).differences();
    }

    private Updated updated(Design design, String script) {
        return DesignUpdate.of(design, Derivation.of(design), read(script), POSTGRESQL, apart(design, script), WORDS,
                this::id);
    }

    private static Entity entity(Design design, String name) {
        return design.entities().stream().filter(one -> one.name().equals(name)).findFirst().orElseThrow();
    }

    private static Script script(Design design, Target engine) {
        return new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT).write(Derivation.of(design).schema(), "it");
    }

    private static Design done(Design design, Change change) {
        assertThat(Editor.apply(design, change)).isInstanceOf(Applied.class);
        return ((Applied) Editor.apply(design, change)).design();
    }

    private static List<String> problems(Design design, Change change) {
        assertThat(Editor.apply(design, change)).isInstanceOf(Refused.class);
        return ((Refused) Editor.apply(design, change)).problems().stream().map(Problem::message).toList();
    }

    @Test
    void partitionsAreNoEntities() {
        Design design = reversed(WHOLE + PARTITIONS);
        assertThat(design.entities().stream().map(Entity::name)).containsExactly("Vault", "Reading");
        Partitions partitions = entity(design, "Reading").partitions().orElseThrow();
        assertThat(partitions.split()).isEqualTo(new Split(Method.RANGE, List.of("day")));
        assertThat(partitions.partitions()).extracting(Partition::name)
                .containsExactly("reading_2024", "reading_rest", "reading_rest_0");
        assertThat(partitions.partitions()).extracting(Partition::of).containsExactly("", "", "reading_rest");
    }

    @Test
    void whatWasReadIsWrittenAgain() {
        Design design = reversed(WHOLE + PARTITIONS);
        assertThat(apart(design, WHOLE + PARTITIONS)).isEmpty();
        assertThat(script(design, Target.POSTGRESQL).text()).contains("""
                ) PARTITION BY RANGE (day);
                """, """
                CREATE TABLE reading_2024 PARTITION OF reading
                    FOR VALUES FROM ('2024-01-01') TO ('2025-01-01');
                """, """
                CREATE TABLE reading_rest PARTITION OF reading
                    DEFAULT
                    PARTITION BY HASH (sensor);
                """);
    }

    @Test
    void otherEnginesKeepAllRowsTogether() {
        Script script = script(reversed(WHOLE + PARTITIONS), Target.MYSQL);
        assertThat(script.text()).doesNotContain("PARTITION", "reading_2024");
        assertThat(script.findings()).extracting(AdaptationNote::words)
                .contains("its rows are split among partitions by day; in MySQL all of them are in this table");
    }

    @Test
    void partitionsFollowTheNamesOfTheDesign() {
        Design design = reversed(WHOLE + PARTITIONS);
        Entity reading = entity(design, "Reading");
        Attribute day = reading.attributes().stream().filter(own -> own.name().equals("day")).findFirst().orElseThrow();
        Design renamed = done(done(design, new Change.RenameEntity(reading.id(), "Measurement")),
                new Change.AlterAttribute(reading.id(), day.id(), new AttributeAspect.Name("taken on")));
        assertThat(script(renamed, Target.POSTGRESQL).text()).contains(") PARTITION BY RANGE (taken_on);",
                "CREATE TABLE reading_2024 PARTITION OF measurement\n");
    }

    @Test
    void aKeyWithoutTheColumnsKeepsRowsTogether() {
        Design design = reversed(WHOLE.replace("PRIMARY KEY (sensor, day)) PARTITION BY RANGE (day)",
                "PRIMARY KEY (sensor))"));
        Design split = done(design, new Change.SetPartitions(entity(design, "Reading").id(), Optional.of(
                new Partitions(new Split(Method.LIST, List.of("day")), List.of(
                        new Partition("reading_rest", "", new PartitionBound.Default(), Optional.empty()))))));
        Script script = script(split, Target.POSTGRESQL);
        assertThat(script.text()).doesNotContain("PARTITION");
        assertThat(script.findings()).extracting(AdaptationNote::words).contains("its rows are not split by day, "
                + "because PostgreSQL wants these columns in each of its keys; sensor is one");
    }

    @Test
    void whatRowsWereSplitByMayBeGone() {
        Design design = reversed(WHOLE.replace("sensor int NOT NULL,", "sensor int NOT NULL, region text,")
                .replace("PRIMARY KEY (sensor, day)", "CHECK (sensor > 0)").replace("(day)", "(region)") + PARTITIONS);
        Entity reading = entity(design, "Reading");
        Attribute region = reading.attributes().stream().filter(own -> own.name().equals("region")).findFirst()
                .orElseThrow();
        Script script = script(done(design, new Change.RemoveAttribute(reading.id(), region.id())),
                Target.POSTGRESQL);
        assertThat(script.text()).doesNotContain("PARTITION");
        assertThat(script.findings()).extracting(AdaptationNote::words)
                .contains("its rows are not split by region, because it has no column region");
    }

    @Test
    void partitionsOfTheDatabaseAreTakenOver() {
        Design design = reversed(WHOLE + PARTITIONS);
        String changed = WHOLE + """
                CREATE TABLE reading_2024 PARTITION OF reading FOR VALUES FROM ('2023-01-01') TO ('2025-01-01');
                CREATE TABLE reading_2025 PARTITION OF reading FOR VALUES FROM ('2025-01-01') TO ('2026-01-01');
                """;
        assertThat(apart(design, changed)).extracting(WORDS::sentence).containsExactly(
                "The table reading_2024 is a partition of reading FOR VALUES FROM ('2023-01-01') TO ('2025-01-01') in "
                        + "the database, a partition of reading FOR VALUES FROM ('2024-01-01') TO ('2025-01-01') in "
                        + "the design.",
                "The table reading_rest is only in the design.", "The table reading_rest_0 is only in the design.",
                "The table reading_2025 is only in the database.");
        Updated updated = updated(design, changed);
        assertThat(apart(updated.design(), changed)).isEmpty();
        assertThat(updated.design().entities().stream().map(Entity::name)).containsExactly("Vault", "Reading");
        assertThat(updated(updated.design(), WHOLE + PARTITIONS).left()).isEmpty();
    }

    @Test
    void aNewPartitionedTableIsTakenOverWithItsPartitions() {
        Updated updated = updated(reversed("CREATE TABLE vault (id int PRIMARY KEY);"), WHOLE + PARTITIONS);
        assertThat(updated.left()).isEmpty();
        assertThat(apart(updated.design(), WHOLE + PARTITIONS)).isEmpty();
        Updated back = updated(updated.design(), "CREATE TABLE vault (id int PRIMARY KEY);");
        assertThat(back.design().entities().stream().map(Entity::name)).containsExactly("Vault");
    }

    @Test
    void aTableThatWasPlainGetsThePartitionsOfTheDatabase() {
        Design design = reversed(WHOLE.replace(" PARTITION BY RANGE (day)", ""));
        Updated updated = updated(design.with(entity(design, "Reading").withPartitions(Optional.empty())),
                WHOLE + PARTITIONS);
        assertThat(entity(updated.design(), "Reading").partitions().orElseThrow().partitions()).hasSize(3);
    }

    @Test
    void whatAPartitionHasOfItsOwnIsToldWhenItIsLeftOut() {
        ReversedDesign reversed = reversedWhole(WHOLE + PARTITIONS + """
                ALTER TABLE reading_2024 ADD CONSTRAINT warm CHECK (sensor > 3);
                CREATE INDEX ix_old ON reading_2024 (day);
                CREATE TABLE place (name text PRIMARY KEY);
                CREATE TABLE town () INHERITS (place);
                """);
        assertThat(reversed.remarks()).contains(
                "reading_2024: a partition has what the whole has; the check warm, the index ix_old are left out.",
                "town: that it inherits from place is left out; it becomes an entity with all of its columns.");
    }

    @Test
    void rowsOfAPartitionAreRowsOfTheWhole() {
        Reading reading = ScriptReader.read(WHOLE + PARTITIONS + """
                INSERT INTO reading_2024 (sensor, day) VALUES (1, '2024-02-03');
                INSERT INTO reading_rest_0 (sensor, day) VALUES (2, '2030-02-03');
                """, Target.POSTGRESQL);
        Schema neutral = IsoNormalizer.of(reading.schema(), POSTGRESQL);
        Design design = ReversedRows.with(reversed(WHOLE + PARTITIONS), neutral, reading.rows(), this::id);
        assertThat(design.rows().stream()).hasSize(2)
                .allMatch(row -> row.table().equals(entity(design, "Reading").id()));
    }

    @Test
    void whatDependsOnATableTellsItsPartitionsOnce() {
        Dependents dependents = Dependents.in(Derivation.of(reversed(WHOLE + PARTITIONS)).schema(), POSTGRESQL);
        assertThat(dependents.of("vault", "id"))
                .containsExactly("the primary key (id)", "referred to by reading (vault)");
        assertThat(dependents.of("reading", "day"))
                .containsExactly("the primary key (sensor, day)", "what its rows are split by",
                        "the partition reading_2024", "the partition reading_rest");
    }

    @Test
    void findingsAboutAPartitionAreAboutItsEntity() {
        Design plain = reversed(WHOLE);
        Design design = done(plain, new Change.SetPartitions(entity(plain, "Reading").id(), Optional.of(new Partitions(
                new Split(Method.RANGE, List.of("day")),
                List.of(new Partition("vault", "", new PartitionBound.Default(), Optional.empty()))))));
        Review review = Review.of(new Reviewed(design, Derivation.of(design), POSTGRESQL), Policy.DEFAULT);
        assertThat(review.findings()).filteredOn(finding -> finding.rule().equals("names-collide")).hasSize(1);
    }

    @Test
    void wrongPartitionsAreRefusedWithAReason() {
        Design design = reversed(WHOLE);
        Entity reading = entity(design, "Reading");
        Partition rest = new Partition("rest", "", new PartitionBound.Default(), Optional.empty());
        Split split = new Split(Method.LIST, List.of("day"));
        assertThat(problems(design, new Change.SetPartitions(reading.id(),
                Optional.of(new Partitions(new Split(Method.LIST, List.of()), List.of())))))
                .containsExactly("Say by what the rows are split, as in: RANGE (received_on)");
        assertThat(problems(design, new Change.SetPartitions(reading.id(),
                Optional.of(new Partitions(split, List.of(rest, rest))))))
                .containsExactly("There are two partitions called rest. Name one otherwise.");
        Partition more = new Partition("more", "rest", new PartitionBound.Default(), Optional.empty());
        assertThat(problems(design, new Change.SetPartitions(reading.id(),
                Optional.of(new Partitions(split, List.of(rest, more))))))
                .containsExactly("The partition more is part of rest, which is no partition before it that is split "
                        + "itself.");
    }

    @Test
    void tablesOfPartitionsAreToldInTheSchema() {
        assertThat(Derivation.of(reversed(WHOLE + PARTITIONS)).schema().tables()).extracting(Table::name)
                .containsExactly("vault", "reading", "reading_2024", "reading_rest", "reading_rest_0");
    }
}
