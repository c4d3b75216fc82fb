package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * A constraint that cannot be is shown where it begins, whether it stands in its table or behind it, and whether its
 * words were met before.
 */
class ConstraintPlacesTest {

    private static List<String> missed(String script) {
        return ScriptReader.read(script, Target.POSTGRESQL).notUnderstood().stream()
                .map(part -> part.line() + ":" + part.column() + " " + part.text() + " - " + part.reason()).toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "PRIMARY KEY (no) | PRIMARY KEY (no)) | the table lot has no column no",
        "UNIQUE (id, no) | UNIQUE (id, no)) | the table lot has no column no",
            "FOREIGN KEY (no) REFERENCES store (id) | FOREIGN KEY (no) REFERENCES store (id)) | the table lot has no "
                    + "column no",
        "CONSTRAINT named UNIQUE (no) | UNIQUE (no)) | the table lot has no column no"})
    void inItsTable(String constraint, String text, String reason) {
        String script = "CREATE TABLE store (id int PRIMARY KEY);\nCREATE TABLE lot (id int,\n  " + constraint + ");";
        int column = 3 + constraint.indexOf(text.substring(0, 6));
        assertThat(missed(script)).containsExactly("3:" + column + " " + text + " - " + reason);
    }

    @Test
    void behindItsTable() {
        assertThat(missed("""
                CREATE TABLE lot (id int PRIMARY KEY);
                ALTER TABLE lot ADD PRIMARY KEY (id);
                ALTER TABLE lot ADD CONSTRAINT twice
                  UNIQUE (id, id_2);
                """)).containsExactly(
                "2:21 PRIMARY KEY (id) - the table lot already has a primary key",
                "4:3 UNIQUE (id, id_2) - the table lot has no column id_2");
    }

    @Test
    void whereItsWordsWereMetBefore() {
        assertThat(missed("""
                CREATE TABLE a (id int, no int, CONSTRAINT a_key UNIQUE (no));
                CREATE TABLE b (id int, CONSTRAINT b_key   UNIQUE (no), note text);
                CREATE TABLE c (id int, CONSTRAINT c_key UNIQUE (no), note text);
                CREATE TABLE d (no int, CONSTRAINT d_key UNIQUE (no));
                """)).containsExactly(
                "2:44 UNIQUE (no), note text) - the table b has no column no",
                "3:42 UNIQUE (no), note text) - the table c has no column no");
    }
}
