package entaxis.core.migration;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.golden.ChangeCase;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Each kind of change: the differences that Entaxis reports, and the script that it writes for each engine.
 * {@code ChangeScriptsOnEnginesTest} runs the scripts on the engines that the tests can start.
 */
class ChangeScriptsTest {
    private static final Path CHANGES = Path.of("src/test/resources/changes");

    private static Stream<ChangeCase> changes() {
        return Stream.of(Target.values()).flatMap(engine -> ChangeCase.of(CHANGES, engine));
    }

    @ParameterizedTest
    @MethodSource("changes")
    void theScriptIsAsExpected(ChangeCase change) {
        Migration migration = Migration.of(change.before(), change.after(), change.dialect(), change.renames(),
                Fills.NONE);
        String text = migration.text(change.file().title()).lines().skip(1).collect(Collectors.joining("\n"));
        String engine = change.dialect().target().name().toLowerCase(Locale.ROOT);
        assertThat(text + "\n").isEqualTo(change.file().expected(engine, text + "\n"));
        assertThat(ScriptModel.stop(change.before(), migration)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(Target.class)
    void theWayBackEndsWhereItBegan(Target engine) {
        Dialect dialect = Dialect.of(engine);
        ChangeCase.of(CHANGES, engine).forEach(change -> {
            Migration back = Migration.of(change.after(), change.before(), dialect, change.renames().reversed(),
                    Fills.NONE);
            assertThat(ScriptModel.stop(change.after(), back)).as(change.toString()).isEmpty();
        });
    }

    /** On PostgreSQL, which supports everything in the cases. */
    @ParameterizedTest
    @MethodSource("onPostgreSql")
    void theDifferencesAreAsExpected(ChangeCase change) {
        List<Difference> differences = Comparison.of(change.before(), change.after(), change.dialect(),
                change.renames()).differences();
        DifferenceWords words = new DifferenceWords("the database", "the design");
        String told = differences.stream().map(one -> words.sentence(one) + " [" + one.risk().word() + "]\n")
                .collect(Collectors.joining());
        assertThat(told).isEqualTo(change.file().expected("differences", told));
    }

    private static Stream<ChangeCase> onPostgreSql() {
        return ChangeCase.of(CHANGES, Target.POSTGRESQL);
    }
}
