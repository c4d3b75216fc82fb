package entaxis.web.trial;

import entaxis.core.change.Change;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Target;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.InsertWriter;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.engines.trial.QueryOutcome;
import entaxis.engines.trial.StatementOutcome;
import entaxis.engines.trial.Trial;
import entaxis.engines.trial.TrialLimits;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import jakarta.annotation.PreDestroy;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;

/** Keeps a trial database for each design that was tried lately. A sample row goes into the design only when the engine took it. */
@Service
public class Trials {
    private static final int MAX_SESSIONS = 6;
    private static final Dialect DIALECT = Dialect.of(Target.H2);

    /** What came of a row: the engine's word, and the edit that keeps the row if it was taken. */
    public record RowOutcome(StatementOutcome statement, Optional<EditResult> edit) { }

    private final DesignStore store;
    private final Map<String, TrialSession> sessions = new LinkedHashMap<>(8, 0.75f, true);

    Trials(DesignStore store) {
        this.store = store;
    }

    /** The session of a design, if it was run and its tables are still the design's. */
    public synchronized Optional<TrialSession> session(OpenDesign open) {
        return Optional.ofNullable(sessions.get(open.id())).filter(session -> session.schema().equals(open.derivation().schema()));
    }

    /** Makes the tables anew and puts the sample rows in. */
    public synchronized TrialSession run(OpenDesign open) {
        close(open.id());
        Script script = new ScriptWriter(DIALECT, ScriptOptions.USUAL).write(open.derivation().schema().withoutPrograms(), open.design().facts().name());
        Trial trial = new Trial(TrialLimits.USUAL);
        TrialSession session = new TrialSession(trial, open.derivation().schema(), trial.run(script.statements().stream().map(Script.Statement::text).toList()));
        for (SampleRow row : open.design().rows()) {
            open.derivation().table(row.table()).filter(table -> !table.columns().isEmpty()).ifPresent(table -> session.keep(row.id(), trial.run(insert(table, row))));
        }
        sessions.put(open.id(), session);
        if (sessions.size() > MAX_SESSIONS) {
            close(sessions.keySet().iterator().next());
        }
        return session;
    }

    /** Offers a row to the engine, and keeps it in the design if it is taken. */
    public synchronized RowOutcome insert(OpenDesign open, OwnerId owner, Map<ColumnPath, String> values) {
        Table table = open.derivation().table(owner).orElseThrow();
        TrialSession session = session(open).orElseGet(() -> run(open));
        SampleRow row = new SampleRow(new RowId(NewId.of('w')), owner, values);
        StatementOutcome outcome = session.trial().run(insert(table, row));
        if (!outcome.accepted()) {
            return new RowOutcome(outcome, Optional.empty());
        }
        EditResult edit = store.edit(open.id(), new Change.AddRow(row));
        if (edit instanceof EditResult.Kept) {
            session.keep(row.id(), outcome);
        } else {
            close(open.id());
        }
        return new RowOutcome(outcome, Optional.of(edit));
    }

    /** Takes a row out of the design; the tables are made anew without it. */
    public synchronized EditResult remove(OpenDesign open, RowId row) {
        EditResult edit = store.edit(open.id(), new Change.RemoveRow(row));
        if (edit instanceof EditResult.Kept(OpenDesign before, OpenDesign after)) {
            run(after);
        }
        return edit;
    }

    /** Asks the tables a question; makes them first if need be. */
    public synchronized QueryOutcome query(OpenDesign open, String sql) {
        return session(open).orElseGet(() -> run(open)).trial().query(sql);
    }

    /** The INSERT statement of a sample row. */
    public static String insert(Table table, SampleRow row) {
        return new InsertWriter(DIALECT).write(table, row);
    }

    /** A question to begin with: the table, joined to the first that it refers to. */
    public static String question(Table table) {
        String from = "SELECT *\nFROM " + DIALECT.name(table.name());
        return table.foreignKeys().stream().filter(key -> !key.referencedTable().equals(table.name())).findFirst().map(key -> {
            StringBuilder join = new StringBuilder(from).append("\nJOIN ").append(DIALECT.name(key.referencedTable())).append(" ON ");
            for (int i = 0; i < key.columns().size(); i++) {
                join.append(i == 0 ? "" : " AND ").append(DIALECT.name(key.referencedTable())).append('.').append(DIALECT.name(key.referencedColumns().get(i)))
                        .append(" = ").append(DIALECT.name(table.name())).append('.').append(DIALECT.name(key.columns().get(i)));
            }
            return join.toString();
        }).orElse(from);
    }

    @PreDestroy
    synchronized void closeAll() {
        List.copyOf(sessions.keySet()).forEach(this::close);
    }

    private void close(String id) {
        Optional.ofNullable(sessions.remove(id)).ifPresent(session -> session.trial().close());
    }
}
