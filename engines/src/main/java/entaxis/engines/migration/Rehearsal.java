package entaxis.engines.migration;

import entaxis.core.migration.Fills;
import entaxis.core.migration.Migration;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.catalog.LiveCatalog;
import entaxis.engines.sandbox.Sandbox;
import entaxis.engines.sandbox.SandboxFailure;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Optional;

/**
 * What came of a migration in the built-in engine.
 *
 * @param execution  what was carried out
 * @param rowsBefore how many rows the tables had
 * @param rowsAfter  how many they have afterwards
 * @param left       what is apart from the wanted schema afterwards
 * @param translated whether the script was rewritten for the built-in engine, because it is for another
 */
public record Rehearsal(Execution execution, long rowsBefore, long rowsAfter, List<Difference> left,
        boolean translated) {
    /** Copies the differences. */
    public Rehearsal {
        left = List.copyOf(left);
    }

    /** Whether it all went well and nothing is left. */
    public boolean well() {
        return execution.whole() && left.isEmpty();
    }

    /**
     * Makes the tables in memory, puts rows in, migrates, and reads back.
     *
     * @param sandbox a fresh one, in which all of it runs
     * @param rows    INSERT statements in the words of the built-in engine; those that it refuses are passed over
     * @throws SQLException   if the built-in engine cannot hold the schema to begin with
     * @throws SandboxFailure if the sandbox has met its limits
     */
    public static Rehearsal of(Sandbox sandbox, Schema from, Schema to, Target engine, RenameMap pairing, Fills fills,
            List<String> rows) throws SQLException {
        Dialect dialect = Dialect.of(Target.BUILT_IN);
        Schema start = EngineSchema.of(from, engine, dialect).withoutPrograms();
        Schema goal = EngineSchema.of(to, engine, dialect).withoutPrograms();
        try (Connection connection = sandbox.connection(); Statement statement = connection.createStatement()) {
            for (Script.Statement one : new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(start, "rehearsal")
                    .statements()) {
                statement.execute(one.text());
            }
            sandbox.run(rows);
            long before = rows(statement, start);
            Execution execution =
                    Execution.of(connection, Migration.of(tables(connection), goal, dialect, pairing, fills));
            Schema reached = tables(connection);
            return new Rehearsal(execution, before, rows(statement, reached),
                    Comparison.of(reached, goal, dialect, RenameMap.NONE).differences(), engine != Target.BUILT_IN);
        }
    }

    private static Schema tables(Connection connection) throws SQLException {
        return LiveCatalog.read(connection, Target.BUILT_IN, Optional.of("PUBLIC")).withoutPrograms();
    }

    private static long rows(Statement statement, Schema schema) throws SQLException {
        long count = 0;
        Dialect dialect = Dialect.of(Target.BUILT_IN);
        for (Table table : schema.tables()) {
            String home = Optional.of(table.namespace()).filter(name -> !name.isEmpty())
                    .map(name -> dialect.name(name) + ".").orElse("");
            try (ResultSet result =
                    statement.executeQuery("SELECT count(*) FROM " + home + dialect.name(table.name()))) {
                result.next();
                count += result.getLong(1);
            }
        }
        return count;
    }
}
