package entaxis.core.schema;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.ProgramHead.Event;
import entaxis.core.schema.ProgramHead.Named;
import entaxis.core.schema.ProgramHead.RoutineHead;
import entaxis.core.schema.ProgramHead.RuleHead;
import entaxis.core.schema.ProgramHead.Time;
import entaxis.core.schema.ProgramHead.TriggerHead;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Heads of routines, triggers and rules in the forms of the engines' manuals (CREATE TRIGGER, CREATE FUNCTION). */
class ProgramHeadTest {

    private static ProgramHead head(ProgramKind kind, String text) {
        return ProgramHead.of(kind, text, UnaryOperator.identity());
    }

    private static TriggerHead trigger(String text) {
        return (TriggerHead) head(ProgramKind.TRIGGER, text);
    }

    /** Each in the words of its manual: the text, the table, and when it fires. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        // PostgreSQL
        "CREATE TRIGGER t BEFORE INSERT ON jar FOR EACH ROW EXECUTE FUNCTION f()|jar|before insert",
        "CREATE OR REPLACE TRIGGER t AFTER UPDATE OR DELETE OR TRUNCATE ON store.jar EXECUTE FUNCTION f()"
                + "|store.jar|after update or delete or truncate",
        "CREATE CONSTRAINT TRIGGER t AFTER INSERT ON jar FROM lot DEFERRABLE FOR EACH ROW EXECUTE FUNCTION f()"
                + "|jar|after insert",
        "CREATE TRIGGER t INSTEAD OF DELETE ON \"Dry \"\"jars\"\"\" FOR EACH ROW EXECUTE FUNCTION f()"
                + "|Dry \"jars\"|instead of delete",
        // MySQL and MariaDB
        "CREATE DEFINER=`root`@`%` TRIGGER `t` AFTER UPDATE ON `a ``b` FOR EACH ROW SET @n = @n + 1"
                + "|a `b|after update",
        "CREATE TRIGGER IF NOT EXISTS t BEFORE DELETE ON jar FOR EACH ROW FOLLOWS s BEGIN DELETE FROM lot; END"
                + "|jar|before delete",
        // SQLite: BEFORE is meant where nothing is said
        "CREATE TEMP TRIGGER IF NOT EXISTS t INSERT ON jar BEGIN UPDATE lot SET n = n + 1; END|jar|before insert",
        // SQL Server: the table first; FOR means AFTER
        "CREATE TRIGGER dbo.t ON [dbo].[seed jar] FOR INSERT, UPDATE AS DELETE FROM lot"
                + "|seed jar|after insert or update",
        "CREATE TRIGGER t ON jar WITH EXECUTE AS OWNER INSTEAD OF DELETE AS SELECT 1|jar|instead of delete",
        // Oracle
        "CREATE OR REPLACE EDITIONABLE TRIGGER t BEFORE INSERT OR UPDATE ON jar FOR EACH ROW WHEN (NEW.n > 0) BEGIN"
                + " NULL; END|jar|before insert or update",
        "CREATE TRIGGER t FOR DELETE ON jar COMPOUND TRIGGER AFTER STATEMENT IS BEGIN NULL; END|jar|after delete",
        // H2
        "CREATE FORCE TRIGGER t BEFORE INSERT ON jar FOR EACH ROW CALL 'vault.Count'|jar|before insert",
        // names that are words of the statement, and comments between
        "CREATE TRIGGER \"on\" /* on lot */ AFTER INSERT ON \"update\" EXECUTE FUNCTION f()|update|after insert",
        "CREATE TRIGGER before_update AFTER INSERT -- on lot|jar|"})
    void triggers(String text, String table, String words) {
        ProgramHead head = head(ProgramKind.TRIGGER, text);
        if (words == null) {
            assertThat(head).isEqualTo(new Named());
            return;
        }
        assertThat(((TriggerHead) head).words()).isEqualTo(words);
        assertThat(head.belongsTo().map(QualifiedName::label)).contains(table);
    }

    @Test
    void columnsOfUpdates() {
        assertThat(trigger("CREATE TRIGGER t AFTER DELETE OR UPDATE OF Dry, \"n o\" OR INSERT ON jar "
                + "EXECUTE FUNCTION f()"))
                .isEqualTo(new TriggerHead(new QualifiedName("", "jar"), Time.AFTER,
                        Set.of(Event.INSERT, Event.UPDATE, Event.DELETE), List.of("Dry", "n o"),
                        Optional.of(new QualifiedName("", "f"))));
    }

    /** PostgreSQL manual, CREATE TRIGGER. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "AFTER INSERT ON jar FOR EACH ROW WHEN (new.a > f(1)) EXECUTE FUNCTION s.\"Weigh\"('x')|s.Weigh",
        "AFTER INSERT ON jar EXECUTE PROCEDURE weigh()|weigh",
        "AFTER INSERT ON jar BEGIN SELECT weigh(1); END|"})
    void routinesOfTriggers(String text, String routine) {
        assertThat(trigger("CREATE TRIGGER t " + text)).isInstanceOfSatisfying(TriggerHead.class, head -> assertThat(
                head.routine().map(QualifiedName::label)).isEqualTo(Optional.ofNullable(routine)));
    }

    /** PostgreSQL manual, 4.1.1: names without quotes are folded. */
    @Test
    void namesAreHeldAsTheEngineHoldsThem() {
        UnaryOperator<String> folds = name -> name.toLowerCase(Locale.ROOT);
        String text = "CREATE TRIGGER t AFTER INSERT ON Store.\"Jar\" EXECUTE FUNCTION f()";
        assertThat(ProgramHead.of(ProgramKind.TRIGGER, text, folds).belongsTo())
                .contains(new QualifiedName("store", "Jar"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "CREATE FUNCTION f(a integer, b numeric(9, 2) DEFAULT 1) RETURNS integer AS 'select 1'|"
                + "a integer, b numeric(9, 2) DEFAULT 1",
        "CREATE FUNCTION store.f(a integer[],   /* what) */ b text = ')') RETURNS text AS $$ select (1) $$|"
                + "a integer[], b text = ')'",
        "CREATE DEFINER=`r`@`%` PROCEDURE p(IN a INT) BEGIN SELECT (1); END|IN a INT"})
    void routines(String text, String parameters) {
        assertThat(head(ProgramKind.FUNCTION, text)).isEqualTo(new RoutineHead(parameters));
    }

    @ParameterizedTest
    @ValueSource(strings = {"CREATE FUNCTION f RETURN NUMBER IS BEGIN RETURN g(1); END",
        "CREATE PROCEDURE p AS SELECT (1)",
        "CREATE FUNCTION f(a integer", "CREATE FUNCTION f() RETURNS integer", "nothing of that kind", ""})
    void routinesWithoutParameters(String text) {
        assertThat(head(ProgramKind.PROCEDURE, text).routineParameters()).isEmpty();
    }

    /** PostgreSQL manual, CREATE RULE. */
    @Test
    void rules() {
        assertThat(head(ProgramKind.RULE, "CREATE RULE r AS ON INSERT TO store.jar WHERE a TO b DO INSTEAD NOTHING"))
                .isEqualTo(new RuleHead(new QualifiedName("store", "jar")));
        assertThat(head(ProgramKind.RULE, "CREATE RULE r AS ON INSERT")).isEqualTo(new Named());
    }

    /** Oracle Database SQL Language Reference, CREATE TRIGGER: triggers on a schema belong to no table. */
    @ParameterizedTest
    @ValueSource(strings = {"CREATE TRIGGER t AFTER LOGON ON DATABASE BEGIN NULL; END", "CREATE TRIGGER",
        "CREATE TRIGGER t",
        "CREATE TRIGGER t AFTER INSERT", "", "';"})
    void triggersWithoutTable(String text) {
        assertThat(head(ProgramKind.TRIGGER, text)).isEqualTo(new Named());
    }

    @Test
    void viewsHaveTheirNameForThemselves() {
        assertThat(head(ProgramKind.VIEW, "CREATE VIEW v (a) AS SELECT 1 FROM jar")).isEqualTo(new Named());
        assertThat(head(ProgramKind.PACKAGE, "CREATE PACKAGE p AS END").belongsTo()).isEmpty();
    }
}
