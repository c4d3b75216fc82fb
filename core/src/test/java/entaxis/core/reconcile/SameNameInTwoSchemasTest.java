package entaxis.core.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Entity;
import entaxis.core.design.NamedType;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.reverse.ReversedRows;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.AdaptationNote;
import entaxis.core.sql.CreationOrder;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Two tables of one name in two schemas are two tables (ISO/IEC 9075-2, 5.4), wherever one of them is spoken of. */
class SameNameInTwoSchemasTest {
    private static final String TABLES = """
            CREATE TABLE dry.vault (id integer NOT NULL PRIMARY KEY, label varchar(40) NOT NULL);
            CREATE TABLE wet.vault (id integer NOT NULL PRIMARY KEY, code varchar(20),
                dry_vault integer NOT NULL REFERENCES dry.vault (id));
            CREATE TABLE wet.shelf (id integer NOT NULL PRIMARY KEY, vault integer REFERENCES wet.vault (id),
                other integer REFERENCES dry.vault (id));
            CREATE TABLE dry.shelf (id integer NOT NULL PRIMARY KEY, vault integer REFERENCES dry.vault (id));
            CREATE INDEX ix_shelf ON dry.shelf (vault);
            """;
    private static final String ALL = """
            CREATE TYPE dry.state AS ENUM ('cold');
            CREATE TYPE wet.state AS ENUM ('warm', 'hot');
            CREATE DOMAIN wet.label AS varchar(30) CHECK (VALUE <> '');
            CREATE SEQUENCE dry.numbers;
            CREATE SEQUENCE wet.numbers START 5;
            """ + TABLES + """
            CREATE TABLE wet.probe (id integer PRIMARY KEY, own wet.state, other dry.state, name wet.label);
            """;

    private static Schema read(String script, Target engine) {
        Reading reading = ScriptReader.read(script, engine);
        assertThat(reading.notUnderstood()).isEmpty();
        return reading.schema();
    }

    private static List<Difference> apart(Schema from, Schema to, Target engine) {
        Dialect dialect = Dialect.of(engine);
        return Reconciliation.of(new Reconciliation.Side(EngineSchema.of(from, engine, dialect), false),
                new Reconciliation.Side(EngineSchema.of(to, engine, dialect), false), dialect,
                AgreedPrograms.NONE, any -> false).comparison().differences();
    }

    private static String migrated(Schema from, Schema to, Target engine) {
        Dialect dialect = Dialect.of(engine);
        return Migration.of(EngineSchema.of(from, engine, dialect), EngineSchema.of(to, engine, dialect), dialect,
                RenameMap.NONE, Fills.NONE).text("change");
    }

    @ParameterizedTest
    @EnumSource(names = {"POSTGRESQL", "SQLSERVER", "H2", "ISO", "ORACLE"})
    void referencesLeadToTheTableOfTheirSchema(Target engine) {
        Schema schema = read(TABLES, engine);
        assertThat(schema.tables().stream().flatMap(table -> table.foreignKeys().stream()
                .map(key -> table.label() + " " + key.columns() + " " + key.referenced().label())).toList())
                .isEqualTo(ofNames(engine, List.of("wet.vault [dry_vault] dry.vault", "wet.shelf [vault] wet.vault",
                        "wet.shelf [other] dry.vault", "dry.shelf [vault] dry.vault")));
        String again = new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT).writeAgain(schema, "again").text();
        assertThat(apart(schema, read(again, engine), engine)).as(again).isEmpty();
        assertThat(migrated(schema, read(again, engine), engine)).doesNotContain("DROP", "ADD ");
    }

    private static List<String> ofNames(Target engine, List<String> lines) {
        return Dialect.of(engine).foldsUp() && !read(TABLES, engine).tables().getFirst().name().equals("vault")
                ? lines.stream().map(String::toUpperCase).toList() : lines;
    }

    @Test
    void typesAndSequencesToo() {
        Schema schema = read(ALL, Target.POSTGRESQL);
        assertThat(apart(schema, schema, Target.POSTGRESQL)).isEmpty();
        String again = new ScriptWriter(Dialect.of(Target.POSTGRESQL), ScriptOptions.DEFAULT)
                .writeAgain(schema, "again").text();
        assertThat(again).contains("CREATE TYPE dry.state AS ENUM ('cold')", "CREATE TYPE wet.state AS ENUM ('warm'",
                "CREATE DOMAIN wet.label AS varchar(30)", "own    wet.state", "other  dry.state");
        assertThat(apart(schema, read(again, Target.POSTGRESQL), Target.POSTGRESQL)).isEmpty();
        Schema other = read(ALL.replace("'cold'", "'cold', 'dark'").replace("START 5", "START 7")
                .replace("VALUE <> ''", "VALUE <> 'x'"), Target.POSTGRESQL);
        assertThat(apart(schema, other, Target.POSTGRESQL)).extracting(Difference::name)
                .containsExactlyInAnyOrder("dry.state", "wet.label", "wet.numbers");
        assertThat(migrated(schema, other, Target.POSTGRESQL)).contains("ALTER TYPE dry.state ADD VALUE 'dark'",
                "ALTER SEQUENCE wet.numbers", "ALTER DOMAIN wet.label DROP CONSTRAINT").doesNotContain("wet.state");
    }

    /** Types are dropped, made again and given to users in their schema. */
    @Test
    void typesAreChangedInTheirSchema() {
        Schema from = read(ALL + "GRANT USAGE ON TYPE wet.state TO keeper;", Target.POSTGRESQL);
        String gone = migrated(from, read(TABLES, Target.POSTGRESQL), Target.POSTGRESQL);
        assertThat(gone).contains("DROP TYPE dry.state", "DROP TYPE wet.state", "DROP DOMAIN wet.label",
                "DROP SEQUENCE dry.numbers");
        String fresh = migrated(read(TABLES, Target.POSTGRESQL), from, Target.POSTGRESQL);
        assertThat(fresh).contains("CREATE TYPE dry.state AS ENUM ('cold')", "ON TYPE wet.state TO keeper");
        String less = migrated(from, read(ALL.replace("'warm', 'hot'", "'hot'"), Target.POSTGRESQL),
                Target.POSTGRESQL);
        assertThat(less).contains("ALTER TYPE wet.state RENAME TO state_before", "CREATE TYPE wet.state AS",
                "DROP TYPE wet.state_before");
        assertThat(new ScriptWriter(Dialect.of(Target.POSTGRESQL), new ScriptOptions(true, true, Optional.empty()))
                .writeAgain(from, "again").text()).contains("DROP TYPE IF EXISTS wet.state",
                        "DROP TABLE IF EXISTS dry.vault");
    }

    /** What does not come over is told of the table that it is about. */
    @Test
    void notesTellTheTablesApart() {
        Schema neutral = IsoNormalizer.of(read(TABLES + "CREATE UNIQUE INDEX some ON wet.vault (code) WHERE id > 1;",
                Target.POSTGRESQL), Dialect.of(Target.POSTGRESQL));
        assertThat(DialectAdapter.fit(neutral, Dialect.of(Target.MYSQL)).findings())
                .extracting(AdaptationNote::place).contains("wet.vault.some");
    }

    /** The values of an enumeration that an engine has not stand in a check: each column has those of its own type. */
    @Test
    void valuesAreThoseOfTheTypeInItsSchema() {
        Schema neutral = IsoNormalizer.of(read(ALL, Target.POSTGRESQL), Dialect.of(Target.POSTGRESQL));
        String script = new ScriptWriter(Dialect.of(Target.SQLSERVER), ScriptOptions.DEFAULT)
                .write(neutral, "other").text();
        assertThat(script).contains("CHECK (own in ('warm', 'hot'))", "CHECK (other in ('cold'))");
    }

    @Test
    void aChangeOfOneLeavesTheOther() {
        Schema from = read(TABLES, Target.POSTGRESQL);
        Schema to = read(TABLES.replace("code varchar(20)", "code varchar(30)").replace("other integer", "third int"),
                Target.POSTGRESQL);
        assertThat(apart(from, to, Target.POSTGRESQL)).extracting(Difference::table)
                .containsOnly("wet.vault", "wet.shelf");
        assertThat(migrated(from, to, Target.POSTGRESQL))
                .contains("ALTER TABLE wet.vault ALTER COLUMN code TYPE varchar(30)", "REFERENCES dry.vault (id)")
                .doesNotContain("ALTER TABLE dry.");
    }

    @Test
    void aMergeKeepsReferencesWhoseTableIsThere() {
        Schema schema = read(TABLES, Target.POSTGRESQL);
        Dialect dialect = Dialect.of(Target.POSTGRESQL);
        Merge merge = Reconciliation.of(schema, schema, dialect, RenameMap.NONE).merge(any -> true);
        assertThat(merge.left()).isEmpty();
        assertThat(merge.schema().foreignKeys()).isEqualTo(4);
    }

    @Test
    void referencedTablesComeFirst() {
        List<Table> given = read(TABLES, Target.POSTGRESQL).tables().reversed();
        assertThat(new CreationOrder(given).tables()).extracting(Table::label)
                .containsExactly("dry.vault", "dry.shelf", "wet.vault", "wet.shelf");
    }

    /** A side that has all in one schema is compared with the default schema of the other: its types come along. */
    @Test
    void oneSchemaIsComparedWithTheDefaultOne() {
        String script = """
                CREATE TYPE state AS ENUM ('cold');
                CREATE SEQUENCE numbers;
                CREATE TABLE vault (id integer PRIMARY KEY, state state);
                CREATE TABLE shelf (id integer PRIMARY KEY, vault integer REFERENCES vault (id));
                """;
        Schema bare = read(script, Target.POSTGRESQL);
        Schema within = read(script.replaceAll("(TYPE|SEQUENCE|TABLE|REFERENCES) ", "$1 seeds.")
                .replace("state state", "state seeds.state"), Target.POSTGRESQL);
        assertThat(apart(bare, within, Target.POSTGRESQL)).isEmpty();
        assertThat(apart(within, bare, Target.POSTGRESQL)).isEmpty();
    }

    @Test
    void bothBecomeEntities() {
        AtomicInteger count = new AtomicInteger();
        Reading reading = ScriptReader.read(ALL + "INSERT INTO wet.vault VALUES (1, 'w', 2);\n"
                + "INSERT INTO dry.vault VALUES (2, 'd');\n", Target.POSTGRESQL);
        Schema neutral = IsoNormalizer.of(reading.schema(), Dialect.of(Target.POSTGRESQL));
        ReversedDesign reversed = ReverseEngineering.reverse(neutral,
                new DesignProperties("Vaults", Target.POSTGRESQL, "Vaults", ""),
                new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(),
                kind -> kind + Integer.toString(count.incrementAndGet(), 36));
        Design design = ReversedRows.with(reversed.design(), neutral, reading.rows(),
                kind -> kind + Integer.toString(count.incrementAndGet(), 36));
        assertThat(design.entities().stream().map(Entity::name))
                .containsExactly("Vault", "Wet vault", "Shelf", "Dry shelf", "Probe");
        assertThat(design.relationships().list()).hasSize(4);
        assertThat(design.types().stream().map(NamedType::name)).containsExactly("state", "wet_state", "label");
        assertThat(reversed.remarks())
                .contains("The table wet.vault is called wet_vault in the design, where names of entities are unique.");
        assertThat(design.rows().stream().map(row -> Set.copyOf(row.values().values())))
                .containsExactlyInAnyOrder(Set.of("1", "w", "2"), Set.of("2", "d"));
    }

    /** A name may have a point in it (ISO/IEC 9075-2, 5.2, delimited identifier). */
    @Test
    void aPointInANameIsNoSchema() {
        String script = """
                CREATE TABLE wet.vault (id integer PRIMARY KEY, code varchar(20));
                CREATE TABLE "wet.vault" (id integer PRIMARY KEY, code varchar(20), other integer REFERENCES wet.vault);
                CREATE TABLE "wet"".vault" (id integer PRIMARY KEY, vault integer REFERENCES "wet.vault" (id));
                """;
        Schema from = read(script, Target.POSTGRESQL);
        assertThat(from.tables()).extracting(Table::label)
                .containsExactly("wet.vault", "\"wet.vault\"", "\"wet\"\".vault\"");
        assertThat(apart(from, from, Target.POSTGRESQL)).isEmpty();
        Schema to = read(script.replaceFirst("varchar\\(20\\), other", "varchar(30), other"), Target.POSTGRESQL);
        assertThat(apart(from, to, Target.POSTGRESQL)).singleElement().extracting(Difference::table)
                .isEqualTo("\"wet.vault\"");
        assertThat(migrated(from, to, Target.POSTGRESQL))
                .contains("ALTER TABLE \"wet.vault\" ALTER COLUMN code TYPE varchar(30)")
                .doesNotContain("ALTER TABLE wet.vault");
        Schema renamed = SchemaRenaming.apply(from, RenameMap.NONE.withTable("\"wet.vault\"", "\"wet.room\""),
                Dialect.of(Target.POSTGRESQL));
        assertThat(renamed.tables()).extracting(Table::qualifiedName).contains(new QualifiedName("wet", "vault"),
                QualifiedName.of("wet.room"));
        assertThat(renamed.tables().getLast().foreignKeys().getFirst().referencedTable()).isEqualTo("wet.room");
    }

    @Test
    void aLabelTellsOneName() {
        for (QualifiedName name : List.of(QualifiedName.of("vault"), new QualifiedName("wet", "vault"),
                QualifiedName.of("wet.vault"), new QualifiedName("a.b", "c\".d"), QualifiedName.of("\""),
                new QualifiedName("x\"", "y\""),
                QualifiedName.of("\"a.b\""))) {
            assertThat(QualifiedName.ofLabel(name.label())).as(name.label()).isEqualTo(name);
        }
    }

    @Test
    void theDefaultSchemaGoesWithoutSaying() {
        assertThat(new QualifiedName("public", "vault").label()).isEqualTo("vault");
        assertThat(QualifiedName.of("vault").label()).isEqualTo("vault");
        assertThat(new QualifiedName("wet", "vault").label()).isEqualTo("wet.vault");
        assertThat(apart(read("CREATE TABLE public.a (id int PRIMARY KEY, b int REFERENCES a (id));",
                Target.POSTGRESQL), read("CREATE TABLE a (id int PRIMARY KEY, b int REFERENCES public.a (id));",
                Target.POSTGRESQL), Target.POSTGRESQL)).isEmpty();
    }
}
