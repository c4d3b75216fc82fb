package entaxis.web.trial;

import entaxis.core.design.RowId;
import entaxis.core.schema.Schema;
import entaxis.engines.sandbox.Sandbox;
import entaxis.engines.trial.StatementOutcome;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** A database of the built-in engine with the tables of a design and its sample rows. */
public final class TrialSession {
    private final Sandbox sandbox;
    private final Schema schema;
    private final List<StatementOutcome> script;
    private final Map<RowId, StatementOutcome> rows = new ConcurrentHashMap<>();

    TrialSession(Sandbox sandbox, Schema schema, List<StatementOutcome> script) {
        this.sandbox = sandbox;
        this.schema = schema;
        this.script = List.copyOf(script);
    }

    Sandbox sandbox() {
        return sandbox;
    }

    /** The tables that it was made with. */
    public Schema schema() {
        return schema;
    }

    /** What became of each statement of the script. */
    public List<StatementOutcome> script() {
        return script;
    }

    void keep(RowId row, StatementOutcome outcome) {
        rows.put(row, outcome);
    }

    /** What became of a sample row's INSERT. */
    public Optional<StatementOutcome> row(RowId row) {
        return Optional.ofNullable(rows.get(row));
    }

    /** How many sample rows are in its tables. */
    public int rows() {
        return (int) rows.values().stream().filter(StatementOutcome::accepted).count();
    }

    /** How many statements of the script were refused. */
    public int refused() {
        return (int) script.stream().filter(outcome -> !outcome.accepted()).count();
    }

    /** How long the script took, in milliseconds. */
    public long millis() {
        return script.stream().mapToLong(StatementOutcome::micros).sum() / 1000;
    }
}
