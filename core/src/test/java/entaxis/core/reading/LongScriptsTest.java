package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.targets.Target;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

/** Scripts that are long: settings and rows in between, places far behind, readings that are stopped. */
class LongScriptsTest {
    private static final int STATEMENTS = 20_000;

    @Test
    void settingsAndRowsInBetweenChangeHowTheRestIsCut() {
        Random random = new Random(5);
        StringBuilder script = new StringBuilder();
        List<String> defaults = new ArrayList<>();
        boolean escapes = false;
        for (int i = 0; i < STATEMENTS; i++) {
            switch (random.nextInt(100)) {
                case 0 -> {
                    escapes = !escapes;
                    script.append("SET standard_conforming_strings = ").append(escapes ? "off" : "on").append(";\n");
                }
                case 1 -> script.append("CREATE TABLE c").append(i).append(" (id int, told text);\nCOPY c").append(i)
                        .append(" (id, told) FROM stdin;\n1\tit's; (\n\\.\n");
                case 2 -> script.append("INSERT INTO none VALUES ('").append("x;".repeat(random.nextInt(6000)))
                        .append("');\n");
                case 3 -> script.append("CREATE FUNCTION f").append(i)
                        .append("() RETURNS int AS $$ BEGIN; END; $$ LANGUAGE plpgsql;\n");
                default -> {
                    script.append("CREATE TABLE t").append(i).append(" (id bigint NOT NULL, note varchar(9) DEFAULT '")
                            .append(escapes ? "a\\';" : "a\\").append("', CONSTRAINT p").append(i)
                            .append(" PRIMARY KEY (id));\n");
                    defaults.add(escapes ? "'a\\';'" : "'a\\'");
                }
            }
        }
        Reading reading = ScriptReader.read(script.toString(), Target.POSTGRESQL);
        assertThat(reading.notUnderstood()).isEmpty();
        assertThat(reading.schema().tables().stream().filter(table -> table.name().startsWith("t"))
                .map(table -> table.columns().get(1).defaultValue().orElseThrow().text()).toList()).isEqualTo(defaults);
        assertThat(reading.schema().tables()).filteredOn(table -> table.name().startsWith("t"))
                .allSatisfy(table -> assertThat(table.keyColumns()).containsExactly("id"));
        assertThat(reading.rows())
                .hasSize((int) reading.schema().tables().stream().filter(table -> table.name().startsWith("c")).count())
                .allSatisfy(row -> assertThat(row.values()).containsExactly("'1'", "'it''s; ('"));
        assertThat(reading.steppedOver().stream().filter(passed -> passed.kind().equals("setting")).count())
                .isGreaterThan(100);
    }

    @Test
    void placesAreThoseOfTheScript() {
        String calm = "CREATE TABLE t%d (id int);\n";
        StringBuilder script = new StringBuilder();
        for (int i = 0; i < STATEMENTS; i++) {
            script.append(i == STATEMENTS / 2 ? "CREATE TABEL wrong (id int);\n" : calm.formatted(i));
        }
        Reading reading = ScriptReader.read(script.toString(), Target.POSTGRESQL);
        assertThat(reading.statements()).isEqualTo(STATEMENTS);
        assertThat(reading.notUnderstood()).singleElement().satisfies(missed -> {
            assertThat(missed.line()).isEqualTo(STATEMENTS / 2 + 1);
            assertThat(missed.offset()).isEqualTo(script.indexOf("TABEL"));
        });
    }

    @Test
    void whoWantsNoMoreIsLeftAlone() {
        String script = "CREATE TABLE t (id int);\n".repeat(20_000);
        List<Long> told = new ArrayList<>();
        ScriptReader reader = new ScriptReader(Target.H2, (signs, statements) -> {
            told.add(signs);
            return statements < 5_000;
        });
        assertThatThrownBy(() -> reader.add("", script)).isInstanceOf(CancellationException.class);
        assertThat(told).isSorted().hasSizeGreaterThan(50);
        assertThat(told).last().isEqualTo(25 * 5_057L - 1);
    }
}
