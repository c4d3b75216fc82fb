package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Program;
import entaxis.core.targets.Target;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * What stands behind statements so that an engine's client sends them whole: MySQL manual, “Defining Stored Programs”;
 * SQL Server documentation, “GO”; Oracle SQL*Plus User's Guide, “/”.
 */
class EndingTest {
    private static final String TABLE = "CREATE TABLE tray (tray_no int PRIMARY KEY, used int);\n";

    private static String written(String script, Target engine) {
        Reading reading = ScriptReader.read(script, engine);
        assertThat(reading.notUnderstood()).isEmpty();
        return new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT).write(reading.schema(), "ending").text();
    }

    @Test
    void aRoutineOfMySqlGetsADelimiterThatItDoesNotContain() {
        String script = written(TABLE
                + "DELIMITER $$\nCREATE TRIGGER tr BEFORE INSERT ON tray FOR EACH ROW BEGIN SET NEW.used = 1; SET @a = "
                + "'//'; END$$\nDELIMITER ;\nCREATE VIEW v AS SELECT tray_no FROM tray;",
                Target.MARIADB);
        assertThat(script).contains("DELIMITER ///\nCREATE TRIGGER tr").contains("END\n///\nDELIMITER ;\n")
                .contains("CREATE VIEW v AS SELECT tray_no FROM tray;\n");
    }

    @Test
    void aTriggerOfOneStatementNeedsNoDelimiter() {
        assertThat(Ending.of("CREATE TRIGGER tr BEFORE INSERT ON tray FOR EACH ROW SET NEW.used = ';'", Target.MYSQL))
                .endsWith("= ';';").doesNotContain("DELIMITER");
    }

    @Test
    void whatMustStandAloneInSqlServerGetsItsOwnBatch() {
        String script = written(TABLE
                + "GO\nCREATE VIEW v AS SELECT tray_no FROM tray\nGO\nCREATE OR ALTER PROCEDURE p AS BEGIN SELECT 1; "
                + "SELECT 2; END\nGO\n",
                Target.SQLSERVER);
        assertThat(script).contains(
                "\nGO\nCREATE VIEW v AS SELECT tray_no FROM tray\nGO\nCREATE OR ALTER PROCEDURE p AS BEGIN SELECT 1; "
                        + "SELECT 2; END\nGO\n")
                .doesNotContain("GO\nGO");
    }

    @Test
    void commentsBeforeAStatementDoNotHideWhatItIs() {
        assertThat(Ending.of("-- who is in\n/* a * b */ CREATE VIEW v AS SELECT 1 AS one", Target.SQLSERVER))
                .startsWith("GO\n-- who").endsWith("\nGO");
        assertThat(Ending.of("/* never closed CREATE VIEW v", Target.SQLSERVER)).endsWith(";");
        assertThat(Ending.of("CREATE TABLE view_of (a int)", Target.SQLSERVER))
                .isEqualTo("CREATE TABLE view_of (a int);");
    }

    @Test
    void whatOracleTakesForABlockEndsWithASlash() {
        assertThat(Ending.of("CREATE TYPE place AS OBJECT (row_no number(4))", Target.ORACLE))
                .isEqualTo("CREATE TYPE place AS OBJECT (row_no number(4));\n/");
        assertThat(Ending.of("CREATE OR REPLACE EDITIONABLE PROCEDURE p AS BEGIN NULL; END;", Target.ORACLE))
                .endsWith("END;\n/");
        assertThat(Ending.of("CREATE VIEW v AS SELECT 1 FROM dual", Target.ORACLE)).endsWith("dual;");
    }

    @ParameterizedTest
    @CsvSource({"MARIADB", "MYSQL", "SQLSERVER", "ORACLE", "POSTGRESQL", "SQLITE"})
    void routinesAreReadAsTheyWereWritten(Target engine) {
        String body = switch (engine) {
            case MARIADB, MYSQL ->
                    "DELIMITER //\nCREATE PROCEDURE p() BEGIN DELETE FROM tray; DELETE FROM tray WHERE used = 0; "
                            + "END//\nDELIMITER ;\n";
            case SQLSERVER ->
                    "GO\nCREATE PROCEDURE p AS BEGIN DELETE FROM tray; DELETE FROM tray WHERE used = 0; END\nGO\n";
            case ORACLE -> "CREATE PROCEDURE p AS BEGIN DELETE FROM tray; DELETE FROM tray WHERE used = 0; END;\n/\n";
            case POSTGRESQL ->
                    "CREATE FUNCTION p() RETURNS void LANGUAGE sql AS $$ DELETE FROM tray; DELETE FROM tray WHERE used "
                            + "= 0; $$;\n";
            default ->
                    "CREATE TRIGGER p AFTER INSERT ON tray BEGIN DELETE FROM tray; DELETE FROM tray WHERE used = 0; "
                            + "END;\n";
        };
        Reading first = ScriptReader.read(TABLE + body, engine);
        Reading again = ScriptReader.read(written(TABLE + body, engine), engine);
        assertThat(again.notUnderstood()).isEmpty();
        assertThat(first.schema().programs()).hasSize(1);
        assertThat(again.schema().programs()).extracting(Program::text)
                .isEqualTo(first.schema().programs().stream().map(Program::text).toList());
    }

    @Test
    void aComputedColumnOfSqlServerNeedsNoBracketsAndKeepsItsExpression() {
        String script = written(
                "CREATE TABLE tray (tray_no int PRIMARY KEY, used int, total int, free AS total - used PERSISTED NOT "
                        + "NULL, half AS total / 2, one AS (1), c AS cast(total as bigint), CHECK (used > 0));",
                Target.SQLSERVER);
        assertThat(script.replaceAll(" +", " ")).contains("free AS (total - used) PERSISTED NOT NULL")
                .contains("half AS (total / 2)").contains("one AS (1)").contains("c AS (cast(total as bigint))");
    }

    @Test
    void anUntypedComputedColumnIsTypedByItsOperandsElsewhere() {
        Reading reading = ScriptReader.read(
                "CREATE TABLE tray (a int, b decimal(9,2), c float, d nvarchar(5), s AS a + 1, t AS (a * b), u AS c / "
                        + "2, v AS d, w AS upper(d));",
                Target.SQLSERVER);
        String script = new ScriptWriter(Dialect.of(Target.POSTGRESQL), ScriptOptions.DEFAULT)
                .write(IsoNormalizer.of(reading.schema(), Dialect.of(Target.SQLSERVER)), "typed").text()
                .replaceAll(" +", " ");
        assertThat(script).contains("s bigint GENERATED").contains("t numeric GENERATED")
                .contains("u double precision GENERATED").contains("v varchar(5) GENERATED")
                .contains("w text GENERATED");
    }
}
