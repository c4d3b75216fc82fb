package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * What a script says of names that an engine reserves. MySQL manual, “Keywords and Reserved Words”; PostgreSQL manual,
 * appendix “SQL Key Words”; MariaDB manual, “Reserved Words”.
 */
class ReservedNamesTest {
    private static Script script(Target engine) {
        return new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT)
                .write(ScriptReader.read(
                        "CREATE TABLE result (run integer PRIMARY KEY, \"rank\" integer, \"offset\" integer, \"user\" "
                                + "varchar(60), label text)",
                        Target.ISO).schema(), "reserved");
    }

    private static List<String> quoted(Target engine) {
        return script(engine).findings().stream().filter(finding -> finding.kind() == AdaptationNote.Kind.QUOTED)
                .map(AdaptationNote::sentence).toList();
    }

    @Test
    void whatIsReservedIsQuotedAndSaidWithTheVersionThatBegan() {
        assertThat(quoted(Target.MYSQL)).containsExactly(
                "result.rank: “rank” is a reserved word of MySQL since 8.0.2; queries have to quote it");
        assertThat(script(Target.MYSQL).text()).contains("`rank`").doesNotContain("`offset`").doesNotContain("`label`");
        assertThat(quoted(Target.MARIADB)).anyMatch(
                words -> words.startsWith("result.offset: “offset” is a reserved word of MariaDB since 10.6"));
        assertThat(quoted(Target.POSTGRESQL)).containsExactly(
                "result.offset: “offset” is a reserved word of PostgreSQL; queries have to quote it",
                "result.user: “user” is a reserved word of PostgreSQL; queries have to quote it");
    }

    @ParameterizedTest
    @CsvSource({"MYSQL, system, 8.0.3", "MYSQL, intersect, 8.0.31", "MYSQL, generated, 5.7",
            "POSTGRESQL, system_user, 16", "POSTGRESQL, lateral, 9.3", "SQLSERVER, merge, 2008",
            "SQLITE, returning, 3.35"})
    void versionsAreThoseOfTheManuals(Target engine, String word, String version) {
        assertThat(ReservedSince.version(engine, word)).contains(version);
        assertThat(Dialect.of(engine).reserved()).contains(word);
        assertThat(ReservedSince.version(engine, "select")).isEmpty();
    }
}
