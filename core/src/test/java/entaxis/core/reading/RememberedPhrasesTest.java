package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Target;
import entaxis.core.random.RandomDesigns;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Definitions that were met before are not read again. A script means the same as its statements given one by one, of which nothing is remembered. */
class RememberedPhrasesTest {
    private static final int SCRIPTS = 150;
    private static final List<String> NAMES = List.of("id", "name", "Note", "\"id\"", "\"Odd one\"", "key", "comment", "type", "check_it", "Primary_x", "start");
    private static final List<String> DEFINITIONS = List.of("int", "integer NOT NULL", "varchar(20)", "varchar(20) DEFAULT 'a, b)' NOT NULL", "decimal(8, 2) DEFAULT 0", "int PRIMARY KEY", "int UNIQUE",
            "int CHECK (id > 0)", "int DEFAULT (1 + 2)", "varchar(9) DEFAULT 'it''s'", "varchar(9) DEFAULT 'a\\b'", "timestamp DEFAULT CURRENT_TIMESTAMP", "int REFERENCES first (id)", "int -- told\n NOT NULL",
            "int CONSTRAINT named NOT NULL", "mood", "mood NOT NULL", "char(3) COLLATE \"C\"", "int NOT", "", "int GENERATED ALWAYS AS IDENTITY", "serial", "numeric(5) /* a, b) */ NOT NULL");
    private static final List<String> CONSTRAINTS = List.of("PRIMARY KEY (id)", "UNIQUE (id, name)", "UNIQUE (nowhere)", "CHECK (id > 0)", "CHECK (name <> ')' OR id IN (1, 2))", "CHECK (id > 0) NO INHERIT",
            "FOREIGN KEY (id) REFERENCES first (id)", "PRIMARY KEY (ID)", "int NOT NULL", "UNIQUE (id) DEFERRABLE");

    @ParameterizedTest
    @EnumSource(Target.class)
    void definitionsThatComeAgain(Target engine) {
        Random random = new Random(41);
        int seen = 0;
        for (int i = 0; i < SCRIPTS; i++) {
            List<String> statements = new ArrayList<>();
            statements.add("CREATE TABLE first (id int PRIMARY KEY, name varchar(20))");
            for (int table = 0; table < 8; table++) {
                List<String> elements = new ArrayList<>();
                for (int element = random.nextInt(5); element >= 0; element--) {
                    elements.add(random.nextInt(4) > 0 ? any(NAMES, random) + " " + any(DEFINITIONS, random)
                            : (random.nextInt(3) > 0 ? "CONSTRAINT c" + random.nextInt(5) + " " : "") + any(CONSTRAINTS, random));
                }
                statements.add("CREATE TABLE t" + table + " (" + String.join(random.nextBoolean() ? ",\n  " : ",", elements) + (random.nextInt(20) == 0 ? "," : "") + ")");
                if (random.nextInt(4) == 0) {
                    statements.add(List.of("ALTER TABLE t" + table + " ADD COLUMN more int", "ALTER TABLE t" + table + " DROP COLUMN name", "CREATE TYPE mood AS ENUM ('calm')",
                            "ALTER TABLE t" + table + " ALTER COLUMN id SET DEFAULT 5", "CREATE INDEX i" + table + " ON t" + table + " (name)", "COMMENT ON COLUMN t" + table + ".id IS 'told'",
                            "ALTER TABLE t" + table + " RENAME COLUMN id TO no", "DROP TABLE t" + table).get(random.nextInt(8)));
                }
            }
            seen += alike(statements, engine, ";\n");
        }
        assertThat(seen).isGreaterThan(SCRIPTS * 8);
    }

    @ParameterizedTest
    @EnumSource(Target.class)
    void writtenSchemas(Target engine) {
        List<String> statements = new ArrayList<>();
        for (int seed = 0; seed < 40; seed++) {
            String script = new ScriptWriter(Dialect.of(engine), ScriptOptions.USUAL).write(Derivation.of(RandomDesigns.design(seed, 6)).schema(), "again").text();
            List<String> own = cut(script, engine);
            if (own.stream().noneMatch(statement -> statement.toUpperCase(java.util.Locale.ROOT).matches("(?s)(SET|DELIMITER)\\b.*"))) {
                statements.addAll(own);
            }
        }
        assertThat(alike(statements, engine, engine == Target.SQLSERVER ? ";\nGO\n" : ";\n")).isGreaterThan(40);
    }

    /** How many columns there were in both readings, which have to be equal. */
    private static int alike(List<String> statements, Target engine, String between) {
        String script = String.join(between, statements) + between;
        Reading whole = ScriptReader.read(script, engine);
        ScriptReader reader = new ScriptReader(engine);
        statements.forEach(statement -> reader.add("", statement + between));
        Reading parts = reader.done();
        assertThat(whole.schema().equals(parts.schema())).as(script).isTrue();
        assertThat(whole.notUnderstood().stream().map(missed -> missed.text() + ": " + missed.reason()).toList()).as(script)
                .isEqualTo(parts.notUnderstood().stream().map(missed -> missed.text() + ": " + missed.reason()).toList());
        assertThat(whole.notUnderstood()).as(script).allSatisfy(missed -> assertThat(script.substring(missed.offset())).startsWith(missed.text()));
        return whole.schema().tables().stream().mapToInt(table -> table.columns().size()).sum();
    }

    @Test
    void tablesThatShareAColumnChangeTheirOwn() {
        Reading reading = ScriptReader.read("""
                CREATE TABLE a (id int, note varchar(9) NOT NULL);
                CREATE TABLE b (id int, note varchar(9) NOT NULL);
                CREATE TABLE c (id int, note varchar(9) NOT NULL);
                ALTER TABLE b ALTER COLUMN note DROP NOT NULL;
                ALTER TABLE b ALTER COLUMN note TYPE text;
                COMMENT ON COLUMN c.note IS 'told';
                ALTER TABLE c ADD PRIMARY KEY (id);
                ALTER TABLE a RENAME COLUMN id TO no;
                """, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        assertThat(reading.schema().tables().stream().map(RememberedPhrasesTest::said).toList()).containsExactly(
                "a: no , note required", "b: id , note ", "c: id required, note required told");
    }

    @Test
    void whatWasReadIsOneToken() {
        String script = "CREATE TABLE a (id int, note varchar(9)); CREATE TABLE b (id int, \"note\" varchar(9), more int);";
        Scanner scanner = new Scanner(script, Lexis.of(Target.POSTGRESQL));
        CutStatement statement = new CutStatement(new TokenRow());
        scanner.next(statement);
        assertThat(statement.count).isEqualTo(13);
        scanner.remember(script.indexOf(" int"), script.indexOf(", note"), new Meaning.OfColumn(new ColumnDraft("id", SqlType.integer())));
        scanner.remember(script.indexOf(" varchar"), script.indexOf(");"), new Meaning.OfColumn(new ColumnDraft("note", SqlType.integer())));
        scanner.next(statement);
        assertThat(List.of(statement.kind(3), statement.kind(4), statement.kind(5), statement.kind(6), statement.kind(7), statement.kind(8)))
                .containsExactly(CutStatement.SYMBOL, CutStatement.DEFINITION, CutStatement.DEFINITION, CutStatement.SYMBOL, CutStatement.DEFINITION, CutStatement.SYMBOL);
        assertThat(((Meaning.OfNamed) statement.meaning(5)).column().name).isEqualTo("note");
    }

    private static String said(Table table) {
        return table.name() + ": " + String.join(", ", table.columns().stream().map(RememberedPhrasesTest::said).toList());
    }

    private static String said(Column column) {
        return column.name() + " " + (column.required() ? "required" : "") + (column.comment().isEmpty() ? "" : " " + column.comment());
    }

    private static List<String> cut(String script, Target engine) {
        Scanner scanner = new Scanner(script, Lexis.of(engine));
        CutStatement statement = new CutStatement(new TokenRow());
        List<String> statements = new ArrayList<>();
        while (scanner.next(statement)) {
            if (!statement.client || engine != Target.ORACLE) {
                statements.add(statement.client ? "DELIMITER" : script.substring(statement.start, statement.to(statement.count - 1)));
            }
        }
        return statements;
    }

    private static String any(List<String> list, Random random) {
        return list.get(random.nextInt(list.size()));
    }
}
