package entaxis.core.reconcile;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.migration.Fills;
import entaxis.core.migration.TwoWays;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Program;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Routines that share a name, objects of several kinds that do, and schemas that one side leaves out. */
class NamedAlikeTest {
    private static final Dialect POSTGRESQL = Dialect.of(Target.POSTGRESQL);
    private static final String BOTH = """
            create function weigh(w integer) returns integer language sql as 'select w';
            create function weigh(w text) returns text language sql as 'select w';
            """;

    private static Reconciliation between(String have, String want) {
        return Reconciliation.of(side(have, false), side(want, false), POSTGRESQL, AgreedPrograms.NONE,
                offered -> false);
    }

    private static Reconciliation.Side side(String script, boolean live) {
        Reading reading = ScriptReader.read(script, Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return new Reconciliation.Side(EngineSchema.of(reading.schema(), Target.POSTGRESQL, POSTGRESQL), live,
                Reconciliation.Side.unread(reading));
    }

    private static List<String> statements(Reconciliation sides) {
        return TwoWays.of(sides, difference -> true, Fills.NONE).forth().statements();
    }

    /** The other one of the name stays as it is. */
    @Test
    void oneOfTwoRoutinesGoes() {
        Reconciliation sides = between(BOTH, BOTH.lines().skip(1).findFirst().orElseThrow());
        assertThat(sides.comparison().differences()).singleElement().satisfies(difference -> {
            assertThat(difference.removed()).isTrue();
            assertThat(difference.name()).isEqualTo("weigh(integer)");
        });
        assertThat(sides.merge(difference -> true).schema().programs()).extracting(Program::text)
                .containsExactly("create function weigh(w text) returns text language sql as 'select w'");
        assertThat(statements(sides)).containsExactly("BEGIN", "DROP FUNCTION weigh(w integer)", "COMMIT");
    }

    @Test
    void oneOfTwoRoutinesChanges() {
        Reconciliation sides = between(BOTH, BOTH.replace("returns integer language sql as 'select w'",
                "returns integer language sql as 'select w + 1'"));
        assertThat(sides.comparison().differences()).singleElement()
                .satisfies(difference -> assertThat(difference.name()).isEqualTo("weigh(integer)"));
        assertThat(statements(sides)).anyMatch(text -> text.startsWith("CREATE OR REPLACE function weigh(w integer)"));
    }

    /** The only routine of its name takes something else: it is the same one, changed. */
    @Test
    void theOnlyRoutineOfANameTakesSomethingElse() {
        Reconciliation sides = between("create function f(a integer) returns integer language sql as 'select 1';",
                "create function f(a bigint) returns integer language sql as 'select 1';");
        assertThat(sides.comparison().differences()).singleElement()
                .satisfies(difference -> assertThat(difference.aspect()).isEqualTo(Aspect.DEFINITION));
        assertThat(statements(sides)).contains("DROP FUNCTION f(a integer)");
    }

    /** A trigger and its routine often have one name. */
    @Test
    void kindsOfOneNameAreToldApart() {
        String routine = "create function touch() returns trigger language plpgsql as $$ begin return new; end $$;";
        String rest = "create table lot (lot_no integer); create trigger touch before insert on lot for each row "
                + "execute function touch();";
        Reconciliation sides = between(routine + rest, routine);
        assertThat(sides.comparison().differences()).extracting(Difference::key).doesNotHaveDuplicates();
        assertThat(sides.comparison().differences()).extracting(Difference::name).contains("trigger touch");
        assertThat(statements(sides)).contains("DROP TRIGGER touch ON lot");
    }

    @Test
    void theNameIsFoundInWhatItIsCalled() {
        assertThat(List.of("weigh", "weigh(integer, text)", "trigger touch", "trigger touch on lot"))
                .extracting(ProgramKeys::nameIn).containsExactly("weigh", "weigh", "touch", "touch");
    }

    /** PostgreSQL manual, CREATE RULE: the event is no table. */
    @Test
    void aRuleIsDroppedFromItsTable() {
        String table = "create table lot (lot_no integer);";
        assertThat(statements(between(table + "create rule keep as on insert to lot do instead nothing;", table)))
                .contains("DROP RULE keep ON lot");
    }

    /** A function that a default calls is there before the table that takes it, and goes behind it. */
    @Test
    void whatADefaultCallsComesFirst() {
        String plain = "create table lot (lot_no integer, mark text);";
        String called = "create function next_mark() returns text language sql as 'select 1';"
                + "create table lot (lot_no integer, mark text default next_mark());";
        List<String> there = statements(between(plain, called));
        assertThat(there.indexOf("ALTER TABLE lot ALTER COLUMN mark SET DEFAULT next_mark()"))
                .isGreaterThan(there.stream().filter(text -> text.startsWith("create function")).map(there::indexOf)
                        .findFirst().orElseThrow());
        List<String> back = statements(between(called, plain));
        assertThat(back.indexOf("DROP FUNCTION next_mark()"))
                .isGreaterThan(back.indexOf("ALTER TABLE lot ALTER COLUMN mark DROP DEFAULT"));
    }

    /** A view that is made again has its comment and those who may use it again, though only the database says who. */
    @Test
    void aViewMadeAgainKeepsWhatWasSaidOfIt() {
        String table = "create table lot (lot_no integer, weight integer);";
        String said = "comment on view heavy is 'Heavy'; grant select on heavy to reader;";
        Reconciliation sides = between(
                table + "create view heavy as select lot_no from lot;" + said,
                table + "create view heavy as select lot_no, weight from lot; comment on view heavy is 'Heavy';");
        assertThat(sides.comparison().differences()).extracting(Difference::aspect)
                .containsExactly(Aspect.DEFINITION);
        assertThat(sides.unread()).anyMatch(sentence -> sentence.startsWith("Who may use tables and other objects"));
        assertThat(statements(sides)).containsSubsequence("DROP VIEW heavy",
                "create view heavy as select lot_no, weight from lot", "COMMENT ON VIEW heavy IS 'Heavy'",
                "GRANT SELECT ON heavy TO reader");
    }

    /** A dump names the schema always, a script of the application often not. */
    @Test
    void aSchemaThatOneSideLeavesOutIsTheSame() {
        String plain = "create table lot (lot_no integer primary key); create table jar (jar_no integer primary key, "
                + "lot_no integer constraint fk_jar_lot references lot (lot_no));";
        String named = "create table vault.lot (lot_no integer primary key); create table vault.jar (jar_no integer "
                + "primary key, lot_no integer constraint fk_jar_lot references vault.lot (lot_no));";
        String searched = "set search_path to vault; " + plain;
        for (String other : List.of(named, searched)) {
            assertThat(between(plain, other).comparison().differences()).isEmpty();
            assertThat(between(other, plain).comparison().differences()).isEmpty();
            assertThat(between(other, plain).unread()).anyMatch(sentence -> sentence.contains("the schema vault"));
        }
        assertThat(between(named, searched).comparison().differences()).isEmpty();
        assertThat(statements(between(named, plain.replace("lot_no integer constraint", "lot_no integer not null "
                + "constraint")))).contains("ALTER TABLE vault.jar ALTER COLUMN lot_no SET NOT NULL");
    }

    @Test
    void whatIsNotReadIsSaid() {
        Reconciliation sides = between("create table lot (lot_no integer); alter table lot owner to keeper;"
                + "create policy p on lot using (true); create extension citext;",
                "create table lot (lot_no integer);");
        assertThat(sides.comparison().alike()).isTrue();
        assertThat(sides.unread()).anyMatch(sentence -> sentence.contains("owner") && sentence.contains("row security"))
                .anyMatch(sentence -> sentence.startsWith("Extensions: only one side names citext"));
        assertThat(Reconciliation.of(side("create table lot (lot_no integer);", true),
                side("create table lot (lot_no integer);", false), POSTGRESQL, AgreedPrograms.NONE, offered -> false)
                .unread()).singleElement().asString().contains("privileges on columns");
    }
}
