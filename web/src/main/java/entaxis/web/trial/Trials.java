package entaxis.web.trial;

import entaxis.core.change.Change;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.InsertWriter;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.engines.sandbox.Sandbox;
import entaxis.engines.sandbox.SandboxFailure;
import entaxis.engines.sandbox.Sandboxes;
import entaxis.engines.trial.QueryOutcome;
import entaxis.engines.trial.StatementOutcome;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Function;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Keeps a trial database for each design that was tried lately, each in a process of its own. A sample row goes into
 * the design only when the engine took it. A design's calls are served one after the other; nobody waits for those of
 * another design.
 */
@Service
public class Trials {
    private static final Logger LOG = LoggerFactory.getLogger(Trials.class);
    private static final Dialect DIALECT = Dialect.of(Target.BUILT_IN);
    /** So many wait for one design's trial at most; whoever comes then is asked to come again. */
    private static final int MAX_WAITING = 12;
    private static final int MAX_ATTEMPTS = 2;

    /** What came of a row: the engine's word, and the edit that keeps the row if it was taken. */
    public record RowOutcome(StatementOutcome statement, Optional<EditResult> edit) { }

    /** One design's trial; whoever uses the engine holds the lock. */
    private static final class Bench {
        private final ReentrantLock lock = new ReentrantLock();
        private volatile Optional<TrialSession> session = Optional.empty();
        private volatile long used = System.nanoTime();
    }

    private final DesignStore store;
    private final Sandboxes sandboxes;
    private final Duration idle;
    private final Map<String, Bench> benches = new ConcurrentHashMap<>();
    private final ScheduledExecutorService sweeper =
            Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("trial-sweeper").factory());

    Trials(DesignStore store, Sandboxes sandboxes, @Value("${entaxis.trial.idle:10m}") Duration idle) {
        this.store = store;
        this.sandboxes = sandboxes;
        this.idle = idle;
        long every = Math.max(100, idle.toMillis() / 10);
        sweeper.scheduleWithFixedDelay(this::sweep, every, every, TimeUnit.MILLISECONDS);
    }

    /** The session of a design, if it was run, its tables are still the design's, and its process has met no limit. */
    public Optional<TrialSession> session(OpenDesign open) {
        return Optional.ofNullable(benches.get(open.id())).flatMap(bench -> session(bench, open));
    }

    private static Optional<TrialSession> session(Bench bench, OpenDesign open) {
        return bench.session
                .filter(session -> session.sandbox().alive() && session.schema().equals(open.derivation().schema()));
    }

    /**
     * Creates the tables again and puts the sample rows in.
     *
     * @throws TrialBusy if all processes are at work, or too many wait for this one
     */
    public TrialSession run(OpenDesign open) {
        return at(open, true, bench -> run(bench, open));
    }

    private TrialSession run(Bench bench, OpenDesign open) {
        Optional<Sandbox> same = bench.session.map(TrialSession::sandbox).filter(Sandbox::reset);
        if (same.isEmpty()) {
            end(bench);
        }
        Script script = new ScriptWriter(DIALECT, ScriptOptions.DEFAULT)
                .write(open.derivation().schema().withoutPrograms(), open.design().facts().name());
        Sandbox sandbox = same.orElseGet(this::sandbox);
        TrialSession session = new TrialSession(sandbox, open.derivation().schema(),
                sandbox.run(script.statements().stream().map(Script.Statement::text).toList()));
        bench.session = Optional.of(session);
        List<SampleRow> rows = open.design().rows().stream().filter(
                row -> open.derivation().table(row.table()).filter(table -> !table.columns().isEmpty()).isPresent())
                .toList();
        List<StatementOutcome> outcomes = sandbox.run(
                rows.stream().map(row -> insert(open.derivation().derived(row.table()).orElseThrow(), row)).toList());
        for (int i = 0; i < rows.size(); i++) {
            session.keep(rows.get(i).id(), outcomes.get(i));
        }
        return session;
    }

    /** A fresh process; where all are taken, the one that was not used for longest is ended. */
    private Sandbox sandbox() {
        return sandboxes.take().or(() -> {
            benches.values().stream().filter(bench -> bench.session.isPresent() && !bench.lock.isLocked())
                    .min(Comparator.comparingLong(bench -> bench.used)).ifPresent(bench -> {
                if (bench.lock.tryLock()) {
                    try {
                        end(bench);
                    } finally {
                        bench.lock.unlock();
                    }
                }
            });
            return sandboxes.take();
        }).orElseThrow(() -> new TrialBusy(
                "All trial databases are at work for other designs at the moment. Try again in a few seconds."));
    }

    /**
     * Offers a row to the engine, and keeps it in the design if it is taken.
     *
     * @throws TrialBusy if all processes are at work, or too many wait for this one
     */
    public RowOutcome insert(OpenDesign open, OwnerId owner, Map<ColumnPath, String> values) {
        DerivedTable table = open.derivation().derived(owner).orElseThrow();
        return at(open, true, bench -> {
            TrialSession session = session(bench, open).orElseGet(() -> run(bench, open));
            SampleRow row = new SampleRow(new RowId(NewId.of('w')), owner, values);
            StatementOutcome outcome = session.sandbox().run(insert(table, row));
            if (!outcome.accepted()) {
                return new RowOutcome(outcome, Optional.empty());
            }
            EditResult edit = store.edit(open.id(), new Change.AddRow(row));
            if (edit instanceof EditResult.Kept) {
                session.keep(row.id(), outcome);
            } else {
                end(bench);
            }
            return new RowOutcome(outcome, Optional.of(edit));
        });
    }

    /**
     * Takes a row out of the design; the tables are made again without it.
     *
     * @throws TrialBusy if all processes are at work, or too many wait for this one
     */
    public EditResult remove(OpenDesign open, RowId row) {
        return at(open, false, bench -> {
            EditResult edit = store.edit(open.id(), new Change.RemoveRow(row));
            if (edit instanceof EditResult.Kept(OpenDesign before, OpenDesign after)) {
                run(bench, after);
            }
            return edit;
        });
    }

    /**
     * Asks the tables a question; makes them first if need be.
     *
     * @throws TrialBusy if all processes are at work, or too many wait for this one
     */
    public QueryOutcome query(OpenDesign open, String sql) {
        return at(open, true, bench -> session(bench, open).orElseGet(() -> run(bench, open)).sandbox().ask(sql));
    }

    /**
     * Does something with a design's trial; once more in a fresh process where one was killed from outside, if it may
     * be done twice.
     */
    private <T> T at(OpenDesign open, boolean again, Function<Bench, T> work) {
        Bench bench = benches.computeIfAbsent(open.id(), any -> new Bench());
        try {
            long wait = sandboxes.limits().statementTime().toMillis() + 2_000;
            if (bench.lock.getQueueLength() >= MAX_WAITING || !bench.lock.tryLock(wait, TimeUnit.MILLISECONDS)) {
                throw new TrialBusy(
                        "This design's trial is busy with statements of others. Try again in a few seconds.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new TrialBusy("Entaxis is stopping.");
        }
        try {
            bench.used = System.nanoTime();
            T result = work.apply(bench);
            for (int i = 0;
                    again && i < MAX_ATTEMPTS
                            && bench.session.filter(session -> session.sandbox().endedUnexpectedly()).isPresent();
                    i++) {
                end(bench);
                result = work.apply(bench);
            }
            return result;
        } catch (SandboxFailure e) {
            LOG.warn("a trial could not be served: {}", e.getMessage());
            throw new TrialBusy(e.getMessage());
        } finally {
            bench.used = System.nanoTime();
            bench.lock.unlock();
        }
    }

    private void end(Bench bench) {
        bench.session.ifPresent(session -> sandboxes.giveBack(session.sandbox()));
        bench.session = Optional.empty();
    }

    /** Ends trials that nobody used for a while, and the process that stands ready when there are no others. */
    private void sweep() {
        long before = System.nanoTime() - idle.toNanos();
        benches.values().stream().filter(bench -> bench.used - before < 0 && bench.lock.tryLock()).forEach(bench -> {
            try {
                end(bench);
            } finally {
                bench.lock.unlock();
            }
        });
        benches.values()
                .removeIf(bench -> bench.session.isEmpty() && bench.used - before < 0 && !bench.lock.isLocked());
        if (benches.isEmpty()) {
            sandboxes.rest();
        }
    }

    @PreDestroy
    void close() {
        sweeper.shutdownNow();
        sandboxes.close();
    }

    /** The INSERT statement of a sample row. */
    public static String insert(DerivedTable table, SampleRow row) {
        return new InsertWriter(DIALECT).write(table, row);
    }

    /** A question to begin with: the table, joined to the first that it refers to. */
    public static String question(Table table) {
        String from = "SELECT *\nFROM " + DIALECT.name(table.name());
        return table.foreignKeys().stream().filter(key -> !key.referencedTable().equals(table.name())).findFirst()
                .map(key -> {
                    StringBuilder join = new StringBuilder(from).append("\nJOIN ")
                            .append(DIALECT.name(key.referencedTable())).append(" ON ");
            for (int i = 0; i < key.columns().size(); i++) {
                        join.append(i == 0 ? "" : " AND ").append(DIALECT.name(key.referencedTable())).append('.')
                                .append(DIALECT.name(key.referencedColumns().get(i)))
                                .append(" = ").append(DIALECT.name(table.name())).append('.')
                                .append(DIALECT.name(key.columns().get(i)));
            }
            return join.toString();
        }).orElse(from);
    }
}
