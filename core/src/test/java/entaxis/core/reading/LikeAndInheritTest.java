package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.api.Test;

/** PostgreSQL manual, CREATE TABLE, “LIKE source_table”: each word takes one thing along. */
class LikeAndInheritTest {
    private static final String SOURCE = """
            CREATE TABLE lot (id integer GENERATED ALWAYS AS IDENTITY, label text DEFAULT 'x' CHECK (label <> ''), \
            twice integer GENERATED ALWAYS AS (1 + 1) STORED, UNIQUE (label));
            COMMENT ON COLUMN lot.label IS 'its label';
            """;

    private static Table like(String words) {
        Reading reading = ScriptReader.read(SOURCE + "CREATE TABLE other (LIKE lot " + words + ");", Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        return reading.schema().tables().getLast();
    }

    @ParameterizedTest
    @CsvSource(nullValues = "-",
            value = {"-, 0", "INCLUDING DEFAULTS, 1", "INCLUDING GENERATED, 2", "INCLUDING IDENTITY, 4",
                    "INCLUDING COMMENTS, 8", "INCLUDING CONSTRAINTS, 16", "INCLUDING INDEXES, 32",
                    "INCLUDING ALL, 63", "INCLUDING ALL EXCLUDING DEFAULTS, 62",
                    "INCLUDING DEFAULTS INCLUDING INDEXES, 33", "INCLUDING STORAGE, 0"})
    void takesAlongWhatIsSaid(String words, int taken) {
        Table table = like(words == null ? "" : words);
        Column label = table.columns().get(1);
        int found =
                (label.defaultValue().isPresent() ? 1 : 0) + (table.columns().get(2).generated().isPresent() ? 2 : 0)
                        + (table.columns().getFirst().identity() == Identity.NONE ? 0 : 4)
                        + (label.comment().isEmpty() ? 0 : 8) + (table.checks().isEmpty() ? 0 : 16)
                        + (table.uniqueKeys().isEmpty() ? 0 : 32);
        assertThat(found).isEqualTo(taken);
        assertThat(table.columns()).extracting(Column::name).containsExactly("id", "label", "twice");
    }

    @Test
    void whatIsNotKnownIsSaid() {
        Reading reading = ScriptReader.read(
                "CREATE TABLE other (LIKE nothing);\nALTER TYPE none ADD ATTRIBUTE a integer;\nALTER TABLE other ALTER "
                        + "CONSTRAINT x DEFERRABLE;",
                Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).extracting(NotUnderstood::line).isEqualTo(List.of(1, 2, 3));
        Reading second = ScriptReader.read(
                "CREATE TABLE a (id integer);\nALTER TABLE a ALTER CONSTRAINT x DEFERRABLE;\nCREATE TYPE t AS (a "
                        + "integer);\nALTER TYPE t DROP ATTRIBUTE b;",
                Target.POSTGRESQL);
        assertThat(second.notUnderstood()).extracting(NotUnderstood::reason)
                .containsExactly("the table a has no foreign key x", "the type t has no field b");
    }
}
