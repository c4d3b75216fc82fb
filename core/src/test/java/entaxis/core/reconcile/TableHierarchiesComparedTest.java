package entaxis.core.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Tables that inherit or are partitions, compared, merged and changed. */
class TableHierarchiesComparedTest {
    private static final Dialect DIALECT = Dialect.of(Target.POSTGRESQL);
    private static final String WHOLE = """
            CREATE TABLE move (vault int NOT NULL, at timestamp NOT NULL, note text) PARTITION BY RANGE (at);
            """;
    private static final String OLD = "CREATE TABLE move_old PARTITION OF move FOR VALUES ";
    private static final String PLACES = """
            CREATE TABLE place (name text NOT NULL, height int);
            CREATE TABLE town (people int) INHERITS (place);
            """;

    private static Schema read(String script) {
        Reading reading = ScriptReader.read(script, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return EngineSchema.of(reading.schema(), Target.POSTGRESQL, DIALECT);
    }

    /** The same as a design says it, which does not tell what tables inherit. */
    private static Schema untold(Schema schema) {
        return schema.over(schema.tables().stream().map(table -> table.withHierarchy(Optional.empty())).toList());
    }

    private static List<String> differences(Schema from, Schema to) {
        DifferenceWords words = new DifferenceWords("the database", "the script");
        return Comparison.of(from, to, DIALECT, RenameMap.NONE).differences().stream().map(words::sentence).toList();
    }

    private static List<String> statements(Schema from, Schema to, RenameMap renames) {
        return Migration.of(from, to, DIALECT, renames, Fills.NONE).steps().stream()
                .flatMap(step -> step.statements().stream()).toList();
    }

    @Test
    void oneMomentMayBeSpelledInSeveralWays() {
        Schema database = read(WHOLE + OLD + "FROM ('2024-01-01 00:00:00') TO ('2025-01-01 06:00:00');");
        assertThat(differences(database, read(WHOLE + OLD + "FROM ('2024-01-01') TO ('2025-01-01T06:00:00');")))
                .isEmpty();
        assertThat(differences(database, read(WHOLE + OLD + "FROM ('2024-01-01') TO ('2025-01-01 06:00:01');")))
                .containsExactly("The table move_old is a partition of move FOR VALUES FROM ('2024-01-01 00:00:00') TO "
                        + "('2025-01-01 06:00:00') in the database, a partition of move FOR VALUES FROM ('2024-01-01') "
                        + "TO ('2025-01-01 06:00:01') in the script.");
    }

    @Test
    void theOrderOfListedValuesDoesNotMatter() {
        String listed = "CREATE TABLE lot (region text) PARTITION BY LIST (region);"
                + "CREATE TABLE lot_n PARTITION OF lot FOR VALUES IN ";
        assertThat(differences(read(listed + "('north', 'east');"), read(listed + "('east', 'north');"))).isEmpty();
        assertThat(differences(read(listed + "('north', 'east');"), read(listed + "('north');"))).hasSize(1);
    }

    @Test
    void aChangeOfTheParentIsToldOnce() {
        Schema changed = read("""
                CREATE TABLE place (name text NOT NULL, height bigint DEFAULT 0, since int);
                CREATE TABLE town (people int) INHERITS (place);
                """);
        assertThat(differences(read(PLACES), changed)).hasSize(3).allMatch(sentence -> sentence.contains("lace"));
        assertThat(statements(read(PLACES), changed, RenameMap.NONE)).containsExactly(
                "ALTER TABLE place ADD COLUMN since integer", "ALTER TABLE place ALTER COLUMN height TYPE bigint",
                "ALTER TABLE place ALTER COLUMN height SET DEFAULT 0");
    }

    @Test
    void aRenamedColumnIsRenamedOnce() {
        Schema changed = read(PLACES.replace("name", "title"));
        RenameMap renames = RenameMap.NONE.withColumn("place", "name", "title");
        assertThat(Comparison.of(read(PLACES), changed, DIALECT, renames).differences())
                .extracting(Difference::place).containsExactly("place.title");
        assertThat(statements(read(PLACES), changed, renames))
                .containsExactly("ALTER TABLE place RENAME COLUMN name TO title");
    }

    @Test
    void aTableThatJoinsOrLeavesIsTold() {
        Schema apart = read("""
                CREATE TABLE place (name text NOT NULL, height int);
                CREATE TABLE town (name text NOT NULL, height int, people int);
                """);
        assertThat(differences(read(PLACES), apart)).containsExactly(
                "The table town is a child of place in the database, a table of its own in the script.");
        assertThat(statements(read(PLACES), apart, RenameMap.NONE))
                .containsExactly("ALTER TABLE town NO INHERIT place");
        assertThat(statements(apart, read(PLACES), RenameMap.NONE)).containsExactly("ALTER TABLE town INHERIT place");
    }

    @Test
    void whatADesignDoesNotTellStays() {
        Schema database = read(WHOLE + OLD + "FROM ('2024-01-01') TO ('2025-01-01');" + PLACES);
        assertThat(differences(database, untold(database))).isEmpty();
        assertThat(differences(untold(database), database)).isEmpty();
        Schema wanted = untold(read(WHOLE.replace("note text", "note text, more int")
                + OLD + "FROM ('2024-01-01') TO ('2025-01-01');" + PLACES));
        assertThat(statements(database, wanted, RenameMap.NONE))
                .containsExactly("ALTER TABLE move ADD COLUMN more integer");
    }

    @Test
    void aTakenChangeOfTheParentIsTakenForItsChildren() {
        Schema changed = read("""
                CREATE TABLE place (title text NOT NULL, height bigint);
                CREATE TABLE town (people int) INHERITS (place);
                CREATE TABLE hill () INHERITS (place);
                """);
        RenameMap renames = RenameMap.NONE.withColumn("place", "name", "title");
        Merge all = Merge.of(read(PLACES), changed, DIALECT, renames, difference -> true);
        assertThat(differences(all.schema(), changed)).isEmpty();
        Merge some = Merge.of(read(PLACES), changed, DIALECT, renames,
                difference -> difference.aspect() == Aspect.NAME);
        assertThat(differences(some.schema(), read(PLACES.replace("name", "title")))).isEmpty();
        Merge none = Merge.of(read(PLACES), changed, DIALECT, renames, difference -> false);
        assertThat(none.schema().tables()).isEqualTo(read(PLACES).tables());
    }

    @Test
    void aTableWhoseParentIsNotTakenStandsAlone() {
        Schema empty = read("CREATE TABLE vault (no int);");
        Merge merge = Merge.of(empty, read(PLACES + "CREATE TABLE vault (no int);"), DIALECT, RenameMap.NONE,
                difference -> difference.table().equals("town"));
        assertThat(merge.left()).containsExactly("town becomes a table of its own, because place is not there.");
        assertThat(merge.schema().tables()).filteredOn(table -> table.name().equals("town"))
                .extracting(Table::hierarchy).containsExactly(Optional.of(Hierarchy.NONE));
    }

    @Test
    void aColumnThatAChildKeepsIsNotDroppedFromIt() {
        Schema kept = read("""
                CREATE TABLE place (name text NOT NULL);
                CREATE TABLE town (people int, height int) INHERITS (place);
                """);
        assertThat(statements(read(PLACES), kept, RenameMap.NONE))
                .containsExactly("ALTER TABLE ONLY place DROP COLUMN height");
        Schema gone = read(PLACES.replace(", height int", ""));
        assertThat(statements(read(PLACES), gone, RenameMap.NONE)).containsExactly(
                "ALTER TABLE ONLY place DROP COLUMN height", "ALTER TABLE town DROP COLUMN height");
    }

    @Test
    void aDefaultOfAChildOutlivesThatOfItsParent() {
        Schema own = read("""
                CREATE TABLE place (name text NOT NULL, height int);
                CREATE TABLE town (people int, height int DEFAULT 5) INHERITS (place);
                """);
        Schema changed = read("""
                CREATE TABLE place (name text NOT NULL, height int DEFAULT 1);
                CREATE TABLE town (people int, height int DEFAULT 5) INHERITS (place);
                """);
        assertThat(differences(own, changed)).hasSize(1);
        assertThat(statements(own, changed, RenameMap.NONE)).containsExactly(
                "ALTER TABLE place ALTER COLUMN height SET DEFAULT 1",
                "ALTER TABLE town ALTER COLUMN height SET DEFAULT 5");
    }

    @Test
    void commentsOnInheritedColumnsAreEachTablesOwn() {
        Schema said = read(PLACES + "COMMENT ON COLUMN town.name IS 'as its people call it';");
        assertThat(differences(read(PLACES), said))
                .containsExactly("The database has no comment on the column town.name; the script has one.");
        assertThat(statements(read(PLACES), said, RenameMap.NONE))
                .containsExactly("COMMENT ON COLUMN town.name IS 'as its people call it'");
    }
}
