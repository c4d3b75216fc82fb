package entaxis.engines.catalog;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.RandomEdits;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.shardingsphere.sql.parser.api.CacheOption;
import org.apache.shardingsphere.sql.parser.api.SQLParserEngine;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * No server of SQL Server, Oracle or MySQL runs here. A grammar of each, from a library of the registry, takes every
 * statement that is written for it. What the grammar lacks is listed with the manual's section that allows it.
 */
class GrammarRefereeTest {
    private static final Map<Target, String> NAMES =
            Map.of(Target.SQLSERVER, "SQLServer", Target.ORACLE, "Oracle", Target.MYSQL, "MySQL");

    /**
     * Names in brackets stand for themselves: the grammar takes few of them (SQL Server documentation, “Database
     * identifiers”).
     */
    private static String plain(Target engine, String statement) {
        return engine == Target.SQLSERVER ? statement.replaceAll("\\[(?:[^\\]]|\\]\\])*\\]", "in_brackets") : statement;
    }

    /**
     * What the grammars reject wrongly: procedure calls and the procedural DECLARE and IF (SQL Server documentation,
     * EXECUTE, “DECLARE @local_variable”, “IF...ELSE”); an identity clause without a type, and names in quotes behind
     * RENAME CONSTRAINT, at which the library itself fails (Oracle Database SQL Language Reference, ALTER TABLE,
     * modify_col_properties and rename_constraint). Columns called catalog and end, which neither reserves
     * (Transact-SQL reference, “Reserved Keywords”; Oracle Database SQL Language Reference, “Oracle SQL Reserved
     * Words”), and triggers that speak of {@code :NEW}.
     */
    private static boolean lacking(Target engine, String statement) {
        return switch (engine) {
            case SQLSERVER -> statement.startsWith("EXEC ") || statement.startsWith("DECLARE @name ")
                    || statement.startsWith("IF EXISTS (SELECT 1 FROM fn_listextendedproperty")
                    || statement.contains(" catalog ") || statement.contains("(catalog)");
            case ORACLE -> statement.matches("ALTER TABLE \\S+ MODIFY \\(\\S+ GENERATED .*")
                    || statement.contains(" RENAME CONSTRAINT \"") || statement.contains("\n    end ")
                    || statement.contains("TRIGGER") && statement.contains(":NEW");
            default -> false;
        };
    }

    private static List<String> rejected(Target engine, List<String> statements) {
        SQLParserEngine parser = new SQLParserEngine(NAMES.get(engine), new CacheOption(16, 16L));
        List<String> rejected = new ArrayList<>();
        for (String statement : statements) {
            try {
                parser.parse(plain(engine, statement), false);
            } catch (RuntimeException e) {
                if (!lacking(engine, statement)) {
                    rejected.add(e.getMessage() + "\n" + statement);
                }
            }
        }
        return rejected;
    }

    @ParameterizedTest
    @EnumSource(value = Target.class, names = {"SQLSERVER", "ORACLE", "MYSQL"})
    void everyStatementIsTaken(Target engine) {
        List<String> statements = new ArrayList<>();
        for (int seed = 0; seed < 120; seed++) {
            Script script = new ScriptWriter(Dialect.of(engine), ScriptOptions.DEFAULT)
                    .write(Derivation.of(RandomDesigns.design(seed, 3 + seed % 8)).schema(), "referee");
            script.statements().forEach(statement -> statements.add(statement.text()));
        }
        assertThat(statements).hasSizeGreaterThan(1000);
        assertThat(rejected(engine, statements)).isEmpty();
    }

    /** Real scripts become designs, which hold them or say what they do not; the grammar takes what follows. */
    @ParameterizedTest
    @EnumSource(value = Target.class, names = {"SQLSERVER", "ORACLE"})
    void realScriptsGoThroughADesign(Target engine) throws IOException, InterruptedException {
        RealScripts.fetch();
        Dialect dialect = Dialect.of(engine);
        for (RealScripts.Application application : RealScripts.applications(engine.word(), engine)) {
            Schema there = EngineSchema.of(ScriptReader.read(application.text(), engine).schema(), engine, dialect);
            ThroughDesign design = ThroughDesign.of(there, dialect);
            assertThat(design.lost()).as("%s on %s", application.name(), engine).isEmpty();
            assertThat(design.untold()).as("%s on %s, untold", application.name(), engine).isEmpty();
            assertThat(rejected(engine, design.again().statements().stream().map(Script.Statement::text).toList()))
                    .as("%s on %s", application.name(), engine).isEmpty();
        }
    }

    /** The statements that take one random schema to another. */
    @ParameterizedTest
    @EnumSource(value = Target.class, names = {"SQLSERVER", "ORACLE", "MYSQL"})
    void everyStatementOfAMigrationIsTaken(Target engine) {
        Dialect dialect = Dialect.of(engine);
        List<String> statements = new ArrayList<>();
        for (int seed = 0; seed < 120; seed++) {
            Schema derived = Derivation.of(RandomDesigns.design(seed, 3 + seed % 8)).schema();
            RandomEdits edits = RandomEdits.of(
                    new Schema(derived.types(),
                            derived.tables().stream().filter(table -> !table.columns().isEmpty()).toList()),
                    seed, 2 + seed % 11);
            statements.addAll(Migration.of(EngineSchema.ofDesign(derived, dialect),
                    EngineSchema.ofDesign(edits.schema(), dialect), dialect, edits.pairing(dialect), Fills.NONE)
                    .statements());
        }
        assertThat(statements).hasSizeGreaterThan(500);
        assertThat(rejected(engine, statements)).isEmpty();
    }

    @Test
    void theRefereesDoReject() {
        assertThat(rejected(Target.ORACLE, List.of("CREATE TABLE a (b number(", "CREATE TABEL a (b number)")))
                .hasSize(2);
        assertThat(rejected(Target.SQLSERVER, List.of("CREATE TABLE a (b int", "CREATE TABLE (b int)"))).hasSize(2);
        assertThat(rejected(Target.MYSQL, List.of("CREATE TABLE a (b int", "CREATE INDEX ON a (b)"))).hasSize(2);
    }
}
