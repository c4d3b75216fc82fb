package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.design.Target;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Statements that differ in their names only are cut into these names, and read word for word where anything is out of the ordinary. */
class StatementFormsTest {
    private static final String FIRST = "ALTER TABLE ONLY s.a ADD CONSTRAINT fk FOREIGN KEY (b) REFERENCES c (d) ON DELETE CASCADE;\n";

    private static CutStatement second(String second) {
        String script = FIRST + second;
        Scanner scanner = new Scanner(script, Lexis.of(Target.POSTGRESQL));
        CutStatement statement = new CutStatement(new TokenRow());
        scanner.next(statement);
        int[][] names = List.of(" a ", " fk", "(b", " c ", "(d").stream().map(script::indexOf).map(at -> new int[] {at + 1, at + 2 + (script.startsWith("fk", at + 1) ? 1 : 0)}).toArray(int[][]::new);
        names[0] = new int[] {script.indexOf("s.a") + 2, script.indexOf("s.a") + 3};
        ForeignKey like = ScriptReader.read("CREATE TABLE c (d int); CREATE TABLE a (b int REFERENCES c (d));", Target.POSTGRESQL).schema().tables().getLast().foreignKeys().getFirst();
        scanner.remember(new StatementForm(script, 0, FIRST.length() - 1, names, new Deed.AddsReference("s", 1, "", 1, like)));
        scanner.next(statement);
        return statement;
    }

    @Test
    void isCutIntoItsNames() {
        CutStatement cut = second("  ALTER TABLE ONLY s.seed ADD CONSTRAINT seed_fk FOREIGN KEY (lot_no) REFERENCES lot (no1) ON DELETE CASCADE;");
        assertThat(cut.deed).isPresent();
        assertThat(cut.count).isEqualTo(5);
        assertThat(cut.to(3) - cut.from(3)).isEqualTo("lot".length());
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "ALTER TABLE ONLY t.seed ADD CONSTRAINT k FOREIGN KEY (lot) REFERENCES lot (no) ON DELETE CASCADE;",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT k FOREIGN KEY (lot) REFERENCES lot (no) ON DELETE SET NULL;",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT k FOREIGN KEY (lot, no) REFERENCES lot (no) ON DELETE CASCADE;",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT k FOREIGN KEY (lot) REFERENCES lot.no (no) ON DELETE CASCADE;",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT \"k\" FOREIGN KEY (lot) REFERENCES lot (no) ON DELETE CASCADE;",
        "ALTER TABLE ONLY s.größe ADD CONSTRAINT k FOREIGN KEY (lot) REFERENCES lot (no) ON DELETE CASCADE;",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT k FOREIGN KEY (key) REFERENCES lot (no) ON DELETE CASCADE;",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT k FOREIGN KEY (1) REFERENCES lot (no) ON DELETE CASCADE;",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT k FOREIGN KEY () REFERENCES lot (no) ON DELETE CASCADE;",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT k FOREIGN KEY (lot) REFERENCES lot (no) ON DELETE CASCADE",
        "ALTER TABLE ONLY s.seed ADD CONSTRAINT k FOREIGN KEY (lot",
        "alter table only s.seed add constraint k foreign key (lot) references lot (no) on delete cascade;"})
    void isCutUpWhereTheFormIsAnother(String statement) {
        CutStatement cut = second(statement);
        assertThat(cut.deed).isEmpty();
        assertThat(cut.word(0)).isEqualTo(Word.ALTER);
        assertThat(cut.from(0)).isEqualTo(FIRST.length());
    }

    @Test
    void whatIsOutOfTheOrdinaryIsReportedWhereItStands() {
        String script = """
                CREATE TABLE a (id int, up int);
                CREATE TABLE b (id int, up int);
                ALTER TABLE a ADD CONSTRAINT a_pk PRIMARY KEY (id);
                ALTER TABLE b ADD CONSTRAINT b_pk PRIMARY KEY (id);
                ALTER TABLE b ADD CONSTRAINT b_again PRIMARY KEY (id);
                ALTER TABLE a ADD CONSTRAINT a_fk FOREIGN KEY (up) REFERENCES b (id);
                ALTER TABLE b ADD CONSTRAINT b_fk FOREIGN KEY (upp) REFERENCES a (id);
                CREATE INDEX a_i ON a (up);
                CREATE INDEX b_i ON c (up);
                """;
        Reading reading = ScriptReader.read(script, Target.H2);
        assertThat(reading.notUnderstood().stream().map(missed -> missed.line() + ":" + missed.column() + " " + missed.reason()).toList()).containsExactly(
                "5:38 the table b already has a primary key", "7:35 the table b has no column upp", "9:21 no table c is known here");
        Table b = reading.schema().tables().getLast();
        assertThat(b.primaryKey().orElseThrow().name()).isEqualTo("b_pk");
        assertThat(b.foreignKeys()).isEmpty();
    }

    /** What lets names with digits pass as names without being looked up. */
    @Test
    void noWordHasADigit() {
        assertThat(Word.values()).noneMatch(word -> word.name().matches(".*[0-9].*"));
    }

    @Test
    void keepsAFewForms() {
        StringBuilder script = new StringBuilder("CREATE TABLE a (id int, up int, PRIMARY KEY (id));\n");
        for (int blanks = 1; blanks < 40; blanks++) {
            script.append("CREATE INDEX").append(" ".repeat(blanks)).append("i").append(blanks).append(" ON a (up);\n");
        }
        Reading reading = ScriptReader.read(script.toString(), Target.MARIADB);
        assertThat(reading.notUnderstood()).isEmpty();
        assertThat(reading.schema().tables().getFirst().indexes()).hasSize(39).allSatisfy(index -> assertThat(index.columns().getFirst().name()).isEqualTo("up"));
    }
}
