package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Inheritance and partitions as scripts are written. */
class TableHierarchiesWrittenTest {
    private static final String SCRIPT = """
            CREATE TABLE reading_2024 (day date NOT NULL, celsius int DEFAULT 4, sensor int NOT NULL);
            CREATE TABLE reading (sensor int NOT NULL, day date NOT NULL, celsius int,
                CONSTRAINT reading_pk PRIMARY KEY (sensor, day)) PARTITION BY RANGE (day);
            ALTER TABLE reading ATTACH PARTITION reading_2024 FOR VALUES FROM ('2024-01-01') TO ('2025-01-01');
            CREATE TABLE reading_rest PARTITION OF reading DEFAULT PARTITION BY HASH (sensor);
            CREATE TABLE reading_rest_0 PARTITION OF reading_rest FOR VALUES WITH (MODULUS 1, REMAINDER 0);
            CREATE TABLE place (name text NOT NULL);
            CREATE TABLE town (people int) INHERITS (place);
            CREATE TABLE copy () INHERITS (place);
            CREATE INDEX reading_celsius ON reading (celsius);
            COMMENT ON COLUMN town.name IS 'as its people call it';
            """;

    private static Schema schema() {
        Reading reading = ScriptReader.read(SCRIPT, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return reading.schema();
    }

    private static List<String> statements(ScriptOptions options) {
        return new ScriptWriter(Dialect.of(Target.POSTGRESQL), options).writeAgain(schema(), "it").statements().stream()
                .map(Script.Statement::text).toList();
    }

    @Test
    void eachTableSaysWhatIsItsOwn() {
        assertThat(statements(ScriptOptions.DEFAULT)).containsExactly("""
                CREATE TABLE reading (
                    sensor   integer  NOT NULL,
                    day      date     NOT NULL,
                    celsius  integer,
                    CONSTRAINT reading_pk PRIMARY KEY (sensor, day)
                ) PARTITION BY RANGE (day)""", """
                CREATE TABLE reading_2024 PARTITION OF reading (
                    celsius DEFAULT 4
                )
                    FOR VALUES FROM ('2024-01-01') TO ('2025-01-01')""", """
                CREATE TABLE reading_rest PARTITION OF reading
                    DEFAULT
                    PARTITION BY HASH (sensor)""", """
                CREATE TABLE reading_rest_0 PARTITION OF reading_rest
                    FOR VALUES WITH (MODULUS 1, REMAINDER 0)""", """
                CREATE TABLE place (
                    name  text  NOT NULL
                )""", """
                CREATE TABLE town (
                    people  integer
                ) INHERITS (place)""", "CREATE TABLE copy () INHERITS (place)",
                "CREATE INDEX reading_celsius ON reading (celsius)",
                "COMMENT ON COLUMN town.name IS 'as its people call it'");
    }

    @Test
    void withoutItsParentATableStandsAlone() {
        assertThat(statements(new ScriptOptions(false, false, true, false, false,
                ScriptOptions.Letters.AS_NAMED, Optional.empty(), Optional.of(Set.of("town"))))).first().isEqualTo("""
                CREATE TABLE town (
                    name    text  NOT NULL,
                    people  integer
                )""");
    }

    @Test
    void dropsGoTheOtherWay() {
        List<String> drops = statements(new ScriptOptions(true, true, Optional.empty())).stream()
                .filter(text -> text.startsWith("DROP TABLE")).toList();
        assertThat(drops).containsExactly("DROP TABLE IF EXISTS copy", "DROP TABLE IF EXISTS town",
                "DROP TABLE IF EXISTS place", "DROP TABLE IF EXISTS reading_rest_0",
                "DROP TABLE IF EXISTS reading_rest", "DROP TABLE IF EXISTS reading_2024",
                "DROP TABLE IF EXISTS reading");
    }

    @ParameterizedTest
    @EnumSource(value = Target.class, mode = EnumSource.Mode.EXCLUDE, names = "POSTGRESQL")
    void otherEnginesGetTablesThatStandAlone(Target engine) {
        Dialect dialect = Dialect.of(engine);
        Schema held = EngineSchema.of(schema(), Target.POSTGRESQL, dialect);
        assertThat(held.tables()).extracting(table -> table.name().toLowerCase(Locale.ROOT))
                .containsExactly("reading", "place", "town", "copy");
        assertThat(held.tables()).extracting(Table::hierarchy).containsOnly(Optional.empty());
        Script script = new ScriptWriter(dialect, ScriptOptions.DEFAULT)
                .write(IsoNormalizer.of(schema(), Dialect.of(Target.POSTGRESQL)), "it");
        assertThat(script.text()).doesNotContain("PARTITION", "INHERITS");
        assertThat(script.findings()).extracting(note -> note.table() + ": " + note.words()).contains(
                "reading: its rows are split among partitions by day; in " + engine.title()
                        + " all of them are in this table",
                "town: it inherits from place; in " + engine.title() + " it is a table of its own");
    }
}
