package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.golden.GoldenFile;
import entaxis.core.reading.ScriptReader;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import java.nio.file.Path;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** The script of a schema for each engine, with the notes on what the engine cannot hold. */
class EngineScriptsTest {
    private static final Path SCRIPTS = Path.of("src/test/resources/scripts");

    private static Stream<Arguments> scripts() {
        return GoldenFile.in(SCRIPTS)
                .flatMap(file -> Stream.of(Target.values()).map(engine -> Arguments.of(file, engine)));
    }

    @ParameterizedTest
    @MethodSource("scripts")
    void theScriptIsAsExpected(GoldenFile file, Target engine) {
        Dialect dialect = Dialect.of(engine);
        Schema read = ScriptReader.read(file.section("schema"), Target.POSTGRESQL).schema();
        AdaptedSchema adapted = DialectAdapter.fit(IsoNormalizer.of(read, Dialect.of(Target.POSTGRESQL)), dialect);
        String notes = adapted.findings().stream().map(note -> "-- " + note.sentence() + "\n")
                .collect(Collectors.joining());
        String text = notes + new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(adapted.schema(), file.title())
                .text().lines().skip(1).collect(Collectors.joining("\n")) + "\n";
        assertThat(text).isEqualTo(file.expected(engine.name().toLowerCase(Locale.ROOT), text));
        assertThat(ScriptReader.read(text, engine).notUnderstood()).isEmpty();
    }
}
