package entaxis.core.migration;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.RandomEdits;
import entaxis.core.random.Rounds;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Merge;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * A migration carried out by the reader of scripts, which knows what each statement does to a schema: behind it stands
 * the wanted schema, for every engine.
 */
class MigrationModelTest {
    private static final Pattern DROPPED_DEFAULT = Pattern.compile(
            "DECLARE @name sysname = \\(SELECT QUOTENAME.*?OBJECT_ID\\(N?'(.*?)'\\) AND c\\.name = N?'(.*?)'\\);\nIF "
                    + "@name IS NOT NULL EXEC\\(.*?\\+ @name\\);");
    private static final int PAIRS = Rounds.of(24);

    /** A random design as a schema; tables without columns, which no engine has, left out. */
    static Schema random(long seed) {
        Schema derived = Derivation.of(RandomDesigns.design(seed, (int) (3 + seed % 11))).schema();
        return new Schema(derived.types(),
                derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList());
    }

    static Schema fitted(Schema schema, Dialect dialect) {
        return DialectAdapter.fit(schema, dialect).schema();
    }

    private static void arrives(Schema from, Schema to, RenameMap pairing, Dialect dialect, String what) {
        Migration migration = Migration.of(from, to, dialect, pairing, Fills.NONE);
        String script = migration.text("change");
        String start = new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(from, "start").text();
        Reading reading = ScriptReader.read(start + "\n" + understood(script, dialect.target()), dialect.target());
        assertThat(reading.notUnderstood()).as("%s\n%s\n-----\n%s", what, start, script).isEmpty();
        assertThat(Comparison.of(reading.schema(), to, dialect, RenameMap.NONE).differences())
                .as("%s\n%s\n-----\n%s", what, start, script).isEmpty();
    }

    /**
     * What the server makes up the name of is dropped by a search in its catalog, which a reader of scripts has not.
     */
    private static String understood(String script, Target engine) {
        if (engine != Target.SQLSERVER) {
            return script;
        }
        Matcher drops = DROPPED_DEFAULT.matcher(script);
        String plain =
                drops.replaceAll(found -> Matcher.quoteReplacement("ALTER TABLE " + found.group(1).replace("''", "'")
                        + " ALTER COLUMN [" + found.group(2).replace("''", "'") + "] DROP DEFAULT;"));
        return plain.replaceAll("IF EXISTS \\(SELECT 1 FROM fn_list.*\\) EXEC", "EXEC");
    }

    @ParameterizedTest
    @EnumSource(Target.class)
    void editsArrive(Target engine) {
        Dialect dialect = Dialect.of(engine);
        for (int seed = 0; seed < PAIRS; seed++) {
            Schema start = random(seed);
            RandomEdits edits = RandomEdits.of(start, seed, 1 + seed % 12);
            arrives(fitted(start, dialect), fitted(edits.schema(), dialect), edits.pairing(dialect), dialect,
                    engine + " " + seed);
        }
    }

    @ParameterizedTest
    @EnumSource(Target.class)
    void unrelatedSchemasArrive(Target engine) {
        Dialect dialect = Dialect.of(engine);
        for (int seed = 0; seed < PAIRS / 3; seed++) {
            arrives(fitted(random(seed), dialect), fitted(random(seed + 5000), dialect), RenameMap.NONE, dialect,
                    engine + " " + seed);
        }
    }

    @ParameterizedTest
    @EnumSource(Target.class)
    void nothingIsDoneBetweenEqualSchemas(Target engine) {
        Dialect dialect = Dialect.of(engine);
        for (int seed = 0; seed < PAIRS / 3; seed++) {
            Schema schema = fitted(random(seed), dialect);
            assertThat(Comparison.of(schema, schema, dialect, RenameMap.NONE).differences()).isEmpty();
            assertThat(Migration.of(schema, schema, dialect, RenameMap.NONE, Fills.NONE).steps()).isEmpty();
        }
    }

    /**
     * A step that speaks of what is not there is told before anything is run. On SQL Server the name may be that of a
     * default, which a script need not have given.
     */
    @ParameterizedTest
    @EnumSource(mode = EnumSource.Mode.EXCLUDE, names = "SQLSERVER")
    void aScriptThatWouldStopIsTold(Target engine) {
        Dialect dialect = Dialect.of(engine);
        Schema from = fitted(random(3), dialect);
        Migration gone = new Migration(engine,
                java.util.List.of(Step.safe(Stage.REMOVALS, "", "Drop a column that is not there",
                        java.util.List.of("ALTER TABLE " + dialect.name(from.tables().getFirst().name())
                                + " DROP COLUMN never_there"))),
                false);
        assertThat(ScriptModel.stop(from, gone)).hasValueSatisfying(
                words -> assertThat(words).contains("DROP COLUMN never_there").contains("has no "));
    }

    /** What is left out for losing data is all that does: no other difference brings a step along that does. */
    @ParameterizedTest
    @EnumSource(Target.class)
    void withoutConsentNothingIsLost(Target engine) {
        Dialect dialect = Dialect.of(engine);
        for (int seed = 0; seed < PAIRS * 2; seed++) {
            Schema start = random(seed);
            boolean related = seed % 3 != 2;
            RandomEdits edits = related ? RandomEdits.of(start, seed, 2 + seed % 12)
                    : new RandomEdits(random(seed + 7000), RenameMap.NONE);
            Schema from = fitted(start, dialect);
            Merge merge = Merge.of(from, fitted(edits.schema(), dialect), dialect, edits.pairing(dialect),
                    difference -> difference.risk() != Risk.LOSES_DATA);
            assertThat(Migration.of(from, merge.schema(), dialect, merge.pairing(), Fills.NONE).steps().stream()
                    .filter(step -> step.risk() == Risk.LOSES_DATA).map(Step::what)).as("%s %d", engine, seed)
                    .isEmpty();
        }
    }
}
