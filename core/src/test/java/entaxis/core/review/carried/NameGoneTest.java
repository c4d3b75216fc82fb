package entaxis.core.review.carried;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.review.Finding;
import entaxis.core.review.Policy;
import entaxis.core.review.Review;
import entaxis.core.review.Reviewed;
import entaxis.core.schema.ProgramKind;
import entaxis.core.small.Small;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Triggers and rules that belong to a table or speak of a column which is not there. */
class NameGoneTest {

    private static List<String> findings(ProgramKind kind, Target engine, String text) {
        Design design = new Small().entity("Jar", "jar_no integer primary key", "shelf_no integer")
                .done(new Change.PutOpaque(new OpaqueProgram(new OpaqueId("v1"), kind, "", "counted", engine, text)))
                .done(new Change.PutOpaque(new OpaqueProgram(new OpaqueId("v2"), ProgramKind.VIEW, "", "full_jar",
                        engine, "CREATE VIEW full_jar AS SELECT jar_no FROM jar"))).design();
        return Review.of(new Reviewed(design, Derivation.of(design), Dialect.of(engine)), Policy.DEFAULT).findings()
                .stream().filter(finding -> finding.rule().equals("name-gone")).map(Finding::sentence).toList();
    }

    private static List<String> trigger(String head) {
        return findings(ProgramKind.TRIGGER, Target.POSTGRESQL,
                "CREATE TRIGGER counted " + head + " FOR EACH ROW EXECUTE FUNCTION counted()");
    }

    @Test
    void theTableOfATrigger() {
        assertThat(trigger("AFTER INSERT OR DELETE ON crate")).containsExactly(
                "The trigger “counted” belongs to “crate”, which is not there.");
        assertThat(trigger("AFTER INSERT OR DELETE ON Jar")).isEmpty();
        assertThat(trigger("INSTEAD OF INSERT ON full_jar")).isEmpty();
    }

    @Test
    void theColumnsAtWhoseUpdatesItFires() {
        assertThat(trigger("BEFORE UPDATE OF jar_no, colour ON jar")).containsExactly(
                "The trigger “counted” fires at updates of “colour” of “jar”, which has no such column.");
        assertThat(trigger("BEFORE UPDATE OF jar_no, shelf_no ON jar")).isEmpty();
    }

    @Test
    void theTableOfARule() {
        assertThat(findings(ProgramKind.RULE, Target.POSTGRESQL,
                "CREATE RULE counted AS ON INSERT TO crate DO INSTEAD NOTHING")).containsExactly(
                        "The rule “counted” belongs to “crate”, which is not there.");
    }

    @Test
    void quotesOfOtherEngines() {
        assertThat(findings(ProgramKind.TRIGGER, Target.MYSQL,
                "CREATE TRIGGER `counted` AFTER INSERT ON `jar` FOR EACH ROW SET @n = @n + 1")).isEmpty();
        assertThat(findings(ProgramKind.TRIGGER, Target.SQLSERVER,
                "CREATE TRIGGER counted ON [crate] FOR INSERT AS DELETE FROM jar")).hasSize(1);
    }

    /** What a routine speaks of only the engine can tell. */
    @Test
    void routinesSayNothing() {
        assertThat(findings(ProgramKind.FUNCTION, Target.POSTGRESQL,
                "CREATE FUNCTION counted() RETURNS integer AS 'select 1 from crate' LANGUAGE sql")).isEmpty();
    }
}
