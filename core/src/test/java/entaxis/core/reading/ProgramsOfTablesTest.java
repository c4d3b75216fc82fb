package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.Program;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Triggers and rules go with the table or view that they belong to, and with no other. */
class ProgramsOfTablesTest {
    private static final String TABLES = "CREATE TABLE wet.jar (n integer); CREATE TABLE dry.jar (n integer);\n";
    private static final String TRIGGERS = """
            CREATE TRIGGER counted AFTER INSERT ON wet.jar FOR EACH ROW EXECUTE FUNCTION counted();
            CREATE TRIGGER counted AFTER INSERT ON dry.jar FOR EACH ROW EXECUTE FUNCTION counted();
            CREATE RULE kept AS ON DELETE TO wet.jar DO INSTEAD NOTHING;
            """;

    private static List<String> programs(Target engine, String script) {
        return ScriptReader.read(script, engine).schema().programs().stream().map(Program::text)
                .map(text -> text.replaceFirst("(?s) (FOR EACH|DO INSTEAD|AS SELECT).*", "")).toList();
    }

    @Test
    void aTableTakesItsOwnTriggersAlong() {
        assertThat(programs(Target.POSTGRESQL, TABLES + TRIGGERS)).hasSize(3);
        assertThat(programs(Target.POSTGRESQL, TABLES + TRIGGERS + "DROP TABLE wet.jar;"))
                .containsExactly("CREATE TRIGGER counted AFTER INSERT ON dry.jar");
        assertThat(programs(Target.POSTGRESQL, TABLES + TRIGGERS + "DROP TABLE dry.jar;")).containsExactly(
                "CREATE TRIGGER counted AFTER INSERT ON wet.jar", "CREATE RULE kept AS ON DELETE TO wet.jar");
    }

    @Test
    void alsoUnderAnotherName() {
        assertThat(programs(Target.POSTGRESQL, TABLES + TRIGGERS
                + "ALTER TABLE wet.jar RENAME TO flask; CREATE TABLE wet.jar (n integer); DROP TABLE wet.jar;"))
                        .hasSize(3);
        assertThat(programs(Target.POSTGRESQL, TABLES + TRIGGERS
                + "ALTER TABLE wet.jar RENAME TO flask; DROP TABLE wet.flask;")).hasSize(1);
    }

    /** PostgreSQL manual, DROP TABLE: CASCADE takes views, and what belongs to these. */
    @Test
    void whatBelongsToAViewGoesWithIt() {
        String script = "CREATE TABLE jar (n integer); CREATE VIEW seen AS SELECT n FROM jar;\n"
                + "CREATE TRIGGER counted INSTEAD OF INSERT ON seen FOR EACH ROW EXECUTE FUNCTION counted();\n"
                + "CREATE TABLE lot (n integer);\n"
                + "CREATE TRIGGER weighed AFTER INSERT ON lot FOR EACH ROW EXECUTE FUNCTION counted();\n";
        assertThat(programs(Target.POSTGRESQL, script + "DROP TABLE jar CASCADE;"))
                .containsExactly("CREATE TRIGGER weighed AFTER INSERT ON lot");
        assertThat(programs(Target.POSTGRESQL, script + "DROP VIEW seen CASCADE;"))
                .containsExactly("CREATE TRIGGER weighed AFTER INSERT ON lot");
    }

    @Test
    void otherEngines() {
        String script = "CREATE TABLE jar (n integer);\nCREATE TABLE lot (n integer);\n"
                + "CREATE TRIGGER a AFTER INSERT ON `jar` FOR EACH ROW SET @n = 1;\n"
                + "CREATE TRIGGER b AFTER INSERT ON lot FOR EACH ROW SET @n = 2;\n";
        assertThat(programs(Target.MYSQL, script + "DROP TABLE Jar;")).containsExactly(
                "CREATE TRIGGER b AFTER INSERT ON lot");
    }

    /** Many tables with triggers, each dropped: time is not spent on every text for every table. */
    @Test
    void manyTablesAndTriggers() {
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < 1500; i++) {
            script.append("CREATE TABLE t").append(i).append(" (n integer);\n")
                    .append("CREATE TRIGGER g AFTER INSERT ON t").append(i)
                    .append(" FOR EACH ROW EXECUTE FUNCTION f('").append("x".repeat(500)).append("');\n");
        }
        for (int i = 0; i < 1500; i++) {
            script.append("DROP TABLE t").append(i).append(";\n");
        }
        assertThat(programs(Target.POSTGRESQL, script.toString())).isEmpty();
    }
}
