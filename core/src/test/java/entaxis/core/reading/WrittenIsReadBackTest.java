package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.schema.Schema;
import entaxis.core.sql.AdaptedSchema;
import entaxis.core.sql.CreationOrder;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What is written for an engine is read back to the very schema that the engine was given. */
class WrittenIsReadBackTest {

    @ParameterizedTest
    @EnumSource(Target.class)
    void thousandsOfRandomSchemas(Target engine) {
        Dialect dialect = Dialect.of(engine);
        for (int seed = 0; seed < Rounds.of(100); seed++) {
            Schema derived = Derivation.of(RandomDesigns.design(seed, 3 + seed % 12)).schema();
            Schema schema = new Schema(derived.types(),
                    derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList());
            AdaptedSchema fitted = DialectAdapter.fit(schema, dialect);
            assertThat(
                    SameSchema.exactly(fitted.schema(), DialectAdapter.fit(fitted.schema(), dialect).schema(), engine))
                    .as("fitting twice, %s %d", engine, seed).isEmpty();
            String script = new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(schema, "random").text();
            Reading reading = ScriptReader.read(script, engine);
            assertThat(reading.notUnderstood()).as("%s %d\n%s", engine, seed, script).isEmpty();
            Schema wanted = dialect.refersAhead() ? fitted.schema() : new Schema(fitted.schema().types(),
                    fitted.schema().sequences(), new CreationOrder(fitted.schema().tables()).tables(), List.of());
            assertThat(SameSchema.exactly(wanted, reading.schema(), engine))
                    .as("%s %d\n%s", engine, seed, script).isEmpty();
        }
    }
}
