package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Column;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What tables inherit from and how they are partitioned, as scripts say it (PostgreSQL manual, 5.11 and 5.12). */
class TableHierarchiesTest {
    private static final String READING = """
            CREATE TABLE taxon (id int PRIMARY KEY);
            CREATE TABLE reading (sensor int NOT NULL, day date NOT NULL, celsius int, taxon int REFERENCES taxon,
                CONSTRAINT reading_pk PRIMARY KEY (sensor, day)) PARTITION BY RANGE (day, (sensor % 4));
            CREATE TABLE reading_a PARTITION OF reading FOR VALUES FROM ('2024-01-01', MINVALUE) TO ('2025-01-01', 0);
            """;
    private static final String PLACES = """
            CREATE TABLE place (name text NOT NULL DEFAULT 'x', height int CHECK (height > -500));
            CREATE TABLE town (people int) INHERITS (place);
            CREATE TABLE capital (height int, state text) INHERITS (town);
            """;

    private static Reading read(String script) {
        Reading reading = ScriptReader.read(script, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return reading;
    }

    private static Table table(String script, String name) {
        return read(script).schema().tables().stream().filter(table -> table.name().equals(name)).findFirst()
                .orElseThrow();
    }

    private static Hierarchy hierarchy(String script, String name) {
        return table(script, name).hierarchy().orElseThrow();
    }

    private static List<Expression> expressions(String... texts) {
        return List.of(texts).stream().map(Expression::of).toList();
    }

    @Test
    void aTableIsPartitionedByColumnsAndExpressions() {
        Partitioning by = hierarchy(READING, "reading").partitioning().orElseThrow();
        assertThat(by.method()).isEqualTo(Partitioning.Method.RANGE);
        assertThat(by.key()).extracting(TableIndex.IndexColumn::name).containsExactly("day", "sensor % 4");
        assertThat(hierarchy(READING, "reading").isPartition()).isFalse();
        assertThat(hierarchy(READING, "taxon")).isEqualTo(Hierarchy.NONE);
    }

    @Test
    void aPartitionHoldsSomeRowsOfAWhole() {
        assertThat(hierarchy(READING, "reading_a")).isEqualTo(Hierarchy.partitionOf(QualifiedName.of("reading"),
                new PartitionBound.Range(expressions("'2024-01-01'", "MINVALUE"), expressions("'2025-01-01'", "0"))));
        assertThat(table(READING, "reading_a").keyColumns()).containsExactly("sensor", "day");
        assertThat(table(READING, "reading_a").foreignKeys()).hasSize(1);
    }

    @Test
    void partitionsAreListedHashedAndWhatIsLeft() {
        String script = """
                CREATE TABLE lot (region text, id int) PARTITION BY LIST (region);
                CREATE TABLE lot_n PARTITION OF lot FOR VALUES IN ('north', NULL) PARTITION BY HASH (id);
                CREATE TABLE lot_n1 PARTITION OF lot_n FOR VALUES WITH (MODULUS 3, REMAINDER 1);
                CREATE TABLE lot_rest PARTITION OF lot DEFAULT;
                """;
        assertThat(hierarchy(script, "lot_n").bound())
                .contains(new PartitionBound.Values(expressions("'north'", "NULL")));
        assertThat(hierarchy(script, "lot_n").partitioning()).map(Partitioning::method)
                .contains(Partitioning.Method.HASH);
        assertThat(hierarchy(script, "lot_n1").bound()).contains(new PartitionBound.Remainder(3, 1));
        assertThat(hierarchy(script, "lot_n1").parents()).containsExactly(QualifiedName.of("lot_n"));
        assertThat(hierarchy(script, "lot_rest").bound()).contains(new PartitionBound.Default());
    }

    @Test
    void partitionsAreAttachedAndDetached() {
        String apart = """
                CREATE TABLE reading_b (sensor int NOT NULL, day date NOT NULL, celsius int, taxon int);
                """;
        String joined = READING + apart + """
                ALTER TABLE ONLY reading ATTACH PARTITION reading_b FOR VALUES FROM ('2025-01-01', 0) TO (MAXVALUE, 0);
                """;
        assertThat(hierarchy(joined, "reading_b").isPartition()).isTrue();
        assertThat(table(joined, "reading_b").primaryKey()).isPresent();
        assertThat(table(joined, "reading_b").foreignKeys()).hasSize(1);
        assertThat(hierarchy(joined + "ALTER TABLE reading DETACH PARTITION reading_b;", "reading_b"))
                .isEqualTo(Hierarchy.NONE);
    }

    @Test
    void partitionsGetAndLoseWhatTheWholeDoes() {
        String more = READING + """
                ALTER TABLE reading DROP CONSTRAINT reading_pk;
                ALTER TABLE reading ADD UNIQUE (day, sensor);
                ALTER TABLE reading DROP CONSTRAINT reading_taxon_fkey;
                CREATE INDEX reading_celsius ON reading (celsius);
                ALTER TABLE reading ADD COLUMN note text NOT NULL DEFAULT '';
                """;
        Table part = table(more, "reading_a");
        assertThat(part.primaryKey()).isEmpty();
        assertThat(part.uniqueKeys()).extracting(key -> key.columns()).containsExactly(List.of("day", "sensor"));
        assertThat(part.foreignKeys()).isEmpty();
        assertThat(part.indexes()).extracting(TableIndex::columnNames).containsExactly(List.of("celsius"));
        assertThat(part.column("note")).map(Column::required).contains(true);
        Table bare = table(more + "DROP INDEX reading_celsius; ALTER TABLE reading DROP COLUMN note;", "reading_a");
        assertThat(bare.indexes()).isEmpty();
        assertThat(bare.column("note")).isEmpty();
    }

    @Test
    void whatOnlyConcernsTheWholeStaysThere() {
        Table part = table(READING + """
                ALTER TABLE ONLY reading ADD CONSTRAINT once UNIQUE (sensor, day, celsius);
                CREATE INDEX reading_taxon ON ONLY reading (taxon);
                ALTER TABLE ONLY reading ALTER COLUMN celsius SET DEFAULT 4;
                """, "reading_a");
        assertThat(part.uniqueKeys()).isEmpty();
        assertThat(part.indexes()).isEmpty();
        assertThat(part.column("celsius").flatMap(Column::defaultValue)).isEmpty();
    }

    @Test
    void aPartitionGoesWithItsWhole() {
        assertThat(read(READING + "DROP TABLE reading;").schema().tables()).extracting(Table::name)
                .containsExactly("taxon");
    }

    @Test
    void childrenHaveTheColumnsOfTheirParents() {
        assertThat(hierarchy(PLACES, "capital")).isEqualTo(Hierarchy.inheriting(List.of(QualifiedName.of("town"))));
        assertThat(table(PLACES, "capital").columns()).extracting(Column::name)
                .containsExactly("name", "height", "people", "state");
    }

    @Test
    void namesFollow() {
        String renamed = PLACES + """
                ALTER TABLE town RENAME TO city;
                ALTER TABLE place RENAME COLUMN name TO title;
                """;
        assertThat(hierarchy(renamed, "capital").parents()).containsExactly(QualifiedName.of("city"));
        assertThat(table(renamed, "capital").column("title")).isPresent();
        String partitioned = READING + "ALTER TABLE reading RENAME COLUMN sensor TO device;";
        assertThat(hierarchy(partitioned, "reading").partitioning().orElseThrow().key())
                .extracting(TableIndex.IndexColumn::name).containsExactly("day", "device % 4");
    }

    @Test
    void changesReachGrandchildren() {
        Table capital = table(PLACES + """
                ALTER TABLE place ALTER COLUMN name SET DEFAULT 'y';
                ALTER TABLE place ALTER COLUMN height TYPE bigint;
                ALTER TABLE place ADD CONSTRAINT high CHECK (height < 9000);
                ALTER TABLE place ADD COLUMN since int;
                """, "capital");
        assertThat(capital.column("name").flatMap(Column::defaultValue)).contains(Expression.of("'y'"));
        assertThat(capital.column("height").orElseThrow().type())
                .isEqualTo(table("CREATE TABLE t (a bigint);", "t").columns().getFirst().type());
        assertThat(capital.checks()).extracting(check -> check.name()).contains("high");
        assertThat(capital.column("since")).isPresent();
    }

    @Test
    void aChildKeepsAColumnThatItDefinesItself() {
        String dropped = PLACES + "ALTER TABLE place DROP COLUMN height; ALTER TABLE place DROP COLUMN name;";
        assertThat(table(dropped, "capital").columns()).extracting(Column::name)
                .containsExactly("height", "people", "state");
        assertThat(table(dropped, "town").columns()).extracting(Column::name).containsExactly("people");
        assertThat(table(PLACES + "ALTER TABLE ONLY place DROP COLUMN name;", "town").column("name")).isPresent();
        assertThat(table(PLACES + """
                ALTER TABLE town NO INHERIT place;
                ALTER TABLE place DROP COLUMN name;
                """, "town").column("name")).isPresent();
    }

    @Test
    void aBoundThatIsNotUnderstoodLeavesTheTable() {
        Reading reading = ScriptReader.read(READING + "CREATE TABLE reading_c PARTITION OF reading FOR VALUES LIKE 3;",
                Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).hasSize(1);
        assertThat(reading.schema().tables()).filteredOn(table -> table.name().equals("reading_c"))
                .extracting(Table::hierarchy).containsExactly(Optional.empty());
    }

    @Test
    void otherEnginesDoNotTellIt() {
        Reading reading = ScriptReader.read("""
                CREATE TABLE lot (id int, day date) PARTITION BY RANGE (id) (PARTITION p0 VALUES LESS THAN (10));
                """, Target.MYSQL);
        assertThat(reading.notUnderstood()).isEmpty();
        assertThat(reading.schema().tables()).extracting(Table::hierarchy).containsExactly(Optional.empty());
    }
}
