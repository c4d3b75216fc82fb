package entaxis.core.migration;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import org.junit.jupiter.api.Test;

class CopyNamesTest {
    private static final Dialect SQLITE = Dialect.of(Target.SQLITE);

    private static Schema schema(String script) {
        return EngineSchema.of(ScriptReader.read(script, Target.SQLITE).schema(), Target.SQLITE, SQLITE);
    }

    private static CopyNames names(String from, String to) {
        return new CopyNames(schema(from), schema(to), new EngineWordingRules(SQLITE));
    }

    private static Table jar() {
        return schema("CREATE TABLE jar (no INTEGER PRIMARY KEY);").tables().getFirst();
    }

    @Test
    void aCopyIsCalledLikeItsTable() {
        assertThat(names("", "").of(jar(), "_new").name()).isEqualTo("jar_new");
    }

    @Test
    void aCopyTakesNoNameOfEitherSide() {
        CopyNames names = names("CREATE TABLE JAR_NEW (no INTEGER);", "CREATE TABLE jar_new_2 (no INTEGER);");
        assertThat(names.of(jar(), "_new").name()).isEqualTo("jar_new_3");
    }

    @Test
    void aCopyTakesNoNameOfAView() {
        String script = "CREATE TABLE jar (no INTEGER); CREATE VIEW jar_new AS SELECT no FROM jar;";
        assertThat(names(script, script).of(jar(), "_new").name()).isEqualTo("jar_new_2");
    }

    @Test
    void noNameIsGivenTwice() {
        CopyNames names = names("", "");
        assertThat(names.of(jar(), "_new")).isNotEqualTo(names.of(jar(), "_new"));
    }
}
