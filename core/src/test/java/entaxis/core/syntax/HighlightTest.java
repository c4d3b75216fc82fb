package entaxis.core.syntax;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.syntax.Highlight.Ink;
import entaxis.core.syntax.Highlight.Run;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What is a name, a text or a comment is as the engine has it. */
class HighlightTest {
    private static final String SIGNS = "'\"`$#/*-[]();\\ \nabEqN1.@:<>=é\r\t";

    private static String ink(String script, Target engine, Ink ink) {
        return Highlight.runs(script, engine).stream().filter(run -> run.ink() == ink).map(Run::text)
                .collect(Collectors.joining("|"));
    }

    @ParameterizedTest
    @EnumSource
    void nothingIsLost(Target engine) {
        Random random = new Random(7);
        for (int round = 0; round < 400; round++) {
            StringBuilder script = new StringBuilder();
            random.ints(random.nextInt(60), 0, SIGNS.length()).forEach(at -> script.append(SIGNS.charAt(at)));
            List<Run> runs = Highlight.runs(script.toString(), engine);
            assertThat(runs.stream().map(Run::text).collect(Collectors.joining())).isEqualTo(script.toString());
            assertThat(runs).noneMatch(run -> run.text().isEmpty());
        }
    }

    @ParameterizedTest
    @EnumSource
    void wordsTextsNumbersAndComments(Target engine) {
        String script = "CREATE TABLE a (b integer DEFAULT 'x', c numeric(9,2)); -- it's so\n/* and */ SELECT 1;\n";
        assertThat(ink(script, engine, Ink.KEYWORD)).isEqualTo("CREATE|TABLE|DEFAULT|SELECT");
        assertThat(ink(script, engine, Ink.TYPE)).isEqualTo("integer|numeric");
        assertThat(ink(script, engine, Ink.STRING)).isEqualTo("'x'");
        assertThat(ink(script, engine, Ink.NUMBER)).isEqualTo("9|2|1");
        assertThat(ink(script, engine, Ink.COMMENT)).isEqualTo("-- it's so|/* and */");
    }

    /** A column may be called as a type or a kind of object is. */
    @Test
    void namesThatAreWordsOfSqlToo() {
        String script = "CREATE TYPE t; CREATE TABLE a (type text, date date NOT NULL, PRIMARY KEY (date, type));";
        assertThat(ink(script, Target.POSTGRESQL, Ink.TYPE)).isEqualTo("text|date");
        assertThat(ink(script, Target.POSTGRESQL, Ink.KEYWORD))
                .isEqualTo("CREATE|TYPE|CREATE|TABLE|NOT|NULL|PRIMARY|KEY");
    }

    /** MySQL manual, “String Literals”, “Schema Object Names” and “Comments”. */
    @Test
    void quotesOfMySql() {
        String script = "INSERT INTO `vault's` VALUES ('it\\'s', \"cold\"); # '\n--no comment";
        assertThat(ink(script, Target.MYSQL, Ink.NAME)).isEqualTo("`vault's`");
        assertThat(ink(script, Target.MYSQL, Ink.STRING)).isEqualTo("'it\\'s'|\"cold\"");
        assertThat(ink(script, Target.MYSQL, Ink.COMMENT)).isEqualTo("# '");
        assertThat(ink("SELECT \"cold\"", Target.POSTGRESQL, Ink.NAME)).isEqualTo("\"cold\"");
        assertThat(ink("DELIMITER $$\nCREATE TRIGGER t BEFORE INSERT ON a FOR EACH ROW BEGIN SET x = 'y'; END$$",
                Target.MYSQL, Ink.STRING)).isEqualTo("'y'");
    }

    /** Transact-SQL Reference, “Database identifiers”. */
    @Test
    void bracketsOfSqlServer() {
        assertThat(ink("SELECT [it's], N'text' FROM [a b]\nGO\n", Target.SQLSERVER, Ink.NAME))
                .isEqualTo("[it's]|[a b]");
        assertThat(ink("SELECT [it's], N'text'", Target.SQLSERVER, Ink.STRING)).isEqualTo("N'text'");
    }

    /** PostgreSQL manual, 4.1.2.4, “Dollar-Quoted String Constants”, and 4.1.5, comments that nest. */
    @Test
    void bodiesOfPostgreSqlAreRead() {
        String script = "CREATE FUNCTION f() RETURNS integer AS $body$\nBEGIN -- don't\n  RETURN 'x';\nEND\n$body$;";
        assertThat(ink(script, Target.POSTGRESQL, Ink.KEYWORD)).isEqualTo("CREATE|FUNCTION|RETURNS|AS|BEGIN|END");
        assertThat(ink(script, Target.POSTGRESQL, Ink.COMMENT)).isEqualTo("-- don't");
        assertThat(ink(script, Target.POSTGRESQL, Ink.STRING)).isEqualTo("'x'");
        assertThat(ink("/* a /* b */ c */ x", Target.POSTGRESQL, Ink.COMMENT)).isEqualTo("/* a /* b */ c */");
        assertThat(ink("/* a /* b */ c", Target.ORACLE, Ink.COMMENT)).isEqualTo("/* a /* b */");
    }

    /** Oracle Database SQL Language Reference, “Text Literals”. */
    @Test
    void quotesOfTheWritersChoice() {
        assertThat(ink("SELECT q'[it's]' FROM dual;", Target.ORACLE, Ink.STRING)).isEqualTo("q'[it's]'");
    }

    @Test
    void whatIsNotClosedStaysPlain() {
        assertThat(ink("SELECT 'x", Target.ISO, Ink.STRING)).isEmpty();
        assertThat(ink("SELECT $a$ x", Target.POSTGRESQL, Ink.PLAIN)).endsWith("$a$ x");
    }
}
