package entaxis.engines.sandbox;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import entaxis.core.word.Words;
import entaxis.engines.trial.QueryOutcome;
import entaxis.engines.trial.StatementOutcome;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;

/**
 * A database of the built-in engine in a process of its own, for statements that users wrote. Statements run as a user
 * who may make schemas and tables and nothing
 * else: no files, no other databases, no Java. A statement that takes too long is cancelled, and the process killed
 * where the engine does not give up at once; a
 * process that runs out of memory ends. After either, the sandbox is no longer {@link #alive}. Calls are served one
 * after the other.
 */
public final class Sandbox implements AutoCloseable {
    /** What the process ends with when it is out of memory, whether the virtual machine or the engine says so. */
    static final int EXIT_OUT_OF_MEMORY = 3;
    private static final int MAX_TEXT = 1 << 20;
    private static final int MAX_READ = 32 << 20;
    private static final int MAX_ROWS_READ = 500_000;
    /** Statements that are run together may take this many times as long as one of them. */
    private static final int TOGETHER = 8;
    private static final long GRACE_MILLIS = 700;
    private static final long START_MILLIS = 20_000;
    private static final int NOT_A_QUERY = org.h2.api.ErrorCode.METHOD_ONLY_ALLOWED_FOR_QUERY;
    private static final ScheduledExecutorService CLOCK =
            Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("sandbox-clock").factory());

    private final SandboxLimits limits;
    private final Process process;
    private final DataOutputStream out;
    private final DataInputStream in;
    private final ReentrantLock lock = new ReentrantLock();
    private volatile boolean overdue;
    private boolean ready;

    private Sandbox(SandboxLimits limits, Process process) {
        this.limits = limits;
        this.process = process;
        this.out = new DataOutputStream(new BufferedOutputStream(process.getOutputStream(), 1 << 16));
        this.in = new DataInputStream(new BufferedInputStream(process.getInputStream(), 1 << 16));
    }

    /**
     * Starts a process; it is ready some 0.3 seconds later, which the first call waits for.
     *
     * @param folder its working folder, made if it is not there; nothing is put into it
     * @throws SandboxFailure if it cannot be started
     */
    public static Sandbox start(SandboxLimits limits, Path folder) {
        try {
            Files.createDirectories(folder);
            ProcessBuilder builder = new ProcessBuilder(SandboxCommand.of(limits, folder)).directory(folder.toFile())
                    .redirectError(ProcessBuilder.Redirect.DISCARD);
            builder.environment().clear();
            return new Sandbox(limits, builder.start());
        } catch (IOException e) {
            throw new SandboxFailure(
                    "The built-in engine could not be started in a process of its own: " + e.getMessage(), e);
        }
    }

    /** Whether it can still be used. */
    public boolean alive() {
        return process.isAlive();
    }

    /**
     * Whether its process has ended although it has met no limit, as when somebody kills it; what was asked may then
     * be asked of a fresh one.
     */
    public boolean endedUnexpectedly() {
        return !process.isAlive() && !overdue && process.exitValue() != EXIT_OUT_OF_MEMORY;
    }

    /** The number of its process. */
    public long pid() {
        return process.pid();
    }

    /**
     * Begins again with an empty database, in the same process, which is quicker than a fresh one.
     *
     * @return whether it could; a process that has ended cannot
     */
    public boolean reset() {
        lock.lock();
        try {
            ready();
            out.writeByte(Wire.RESET);
            out.flush();
            return inTime(in::readByte) == Wire.DONE;
        } catch (IOException e) {
            reason();
            return false;
        } finally {
            lock.unlock();
        }
    }

    /**
     * Runs statements in order, going on after one that is refused; those after the end of the process are refused
     * with the reason of its end.
     */
    public List<StatementOutcome> run(List<String> statements) {
        lock.lock();
        try {
            List<StatementOutcome> outcomes = new ArrayList<>();
            try {
                ready();
                out.writeByte(Wire.RUN);
                Wire.texts(out, statements);
                out.flush();
                ScheduledFuture<?> end = overdueLater(TOGETHER * limits.statementTime().toMillis());
                try {
                    while (outcomes.size() < statements.size()) {
                        String sql = statements.get(outcomes.size());
                        outcomes.add(inTime(() -> outcome(sql)));
                    }
                } finally {
                    end.cancel(false);
                }
            } catch (IOException | SandboxFailure e) {
                String reason = reason();
                while (outcomes.size() < statements.size()) {
                    outcomes.add(new StatementOutcome(statements.get(outcomes.size()), false, reason, 0));
                    reason = "Not run: the trial database ended at a statement before.";
                }
            }
            return outcomes;
        } finally {
            lock.unlock();
        }
    }

    /** Runs one statement. */
    public StatementOutcome run(String sql) {
        return run(List.of(sql)).getFirst();
    }

    private StatementOutcome outcome(String sql) throws IOException {
        byte kind = in.readByte();
        if (kind == Wire.DONE) {
            int count = in.readInt();
            return new StatementOutcome(sql, true, count <= 0 ? "done" : Words.counted(count, "row"), in.readLong());
        }
        String reason = Wire.text(in, MAX_TEXT);
        in.readInt();
        return new StatementOutcome(sql, false, kind == Wire.TOO_LONG ? limits.tooLong() : reason, in.readLong());
    }

    /** Puts one question. Only queries are answered; long values, and answers of many rows or bytes, are cut. */
    public QueryOutcome ask(String sql) {
        if (several(sql)) {
            return new QueryOutcome.Failed("These are several statements. Ask one question at a time.");
        }
        lock.lock();
        try {
            ready();
            out.writeByte(Wire.ASK);
            Wire.text(out, sql);
            out.flush();
            return inTime(this::answer);
        } catch (IOException | SandboxFailure e) {
            return new QueryOutcome.Failed(reason());
        } finally {
            lock.unlock();
        }
    }

    private QueryOutcome answer() throws IOException {
        byte kind = in.readByte();
        if (kind != Wire.DONE) {
            String reason = Wire.text(in, MAX_TEXT);
            boolean notAQuery = in.readInt() == NOT_A_QUERY;
            in.readLong();
            return new QueryOutcome.Failed(kind == Wire.TOO_LONG ? limits.tooLong()
                    : notAQuery
                            ? "Only queries run here: SELECT, VALUES or WITH. Rows are entered above; tables follow "
                            + "from the design."
                    : reason);
        }
        List<String> columns = Wire.texts(in, MAX_TEXT);
        List<List<Optional<String>>> rows = rows(columns.size(), limits.rows(), 4 * limits.answerBytes() + MAX_TEXT);
        boolean more = in.readBoolean();
        return new QueryOutcome.Rows(columns, rows, more, in.readLong());
    }

    /** What a query of our own answers, whole. */
    record Table(List<String> columns, List<List<Optional<String>>> rows) { }

    /**
     * Puts a query of our own, such as one to the catalog.
     *
     * @throws SQLException   with the engine's reason, if it refuses it
     * @throws SandboxFailure if the process has ended
     */
    Table read(String sql, List<String> parameters) throws SQLException {
        lock.lock();
        try {
            ready();
            out.writeByte(Wire.READ);
            Wire.text(out, sql);
            Wire.texts(out, parameters);
            out.flush();
            ScheduledFuture<?> end = overdueLater(limits.statementTime().toMillis() + GRACE_MILLIS);
            try {
                byte kind = in.readByte();
                if (kind != Wire.DONE) {
                    String reason = Wire.text(in, MAX_TEXT);
                    throw new SQLException(kind == Wire.TOO_LONG ? limits.tooLong() : reason, "", in.readInt());
                }
                List<String> columns = Wire.texts(in, MAX_TEXT);
                return new Table(columns, rows(columns.size(), MAX_ROWS_READ, MAX_READ));
            } finally {
                end.cancel(false);
            }
        } catch (IOException e) {
            throw new SandboxFailure(reason(), e);
        } finally {
            lock.unlock();
        }
    }

    /**
     * A connection to it, as far as reading a catalog and running a migration need one; closing it leaves the sandbox
     * open.
     */
    public Connection connection() {
        return SandboxConnection.to(this);
    }

    private List<List<Optional<String>>> rows(int columns, int mostRows, long mostBytes) throws IOException {
        int count = in.readInt();
        if (count < 0 || count > mostRows) {
            throw new IOException(count + " rows are more than " + mostRows);
        }
        long left = mostBytes;
        List<List<Optional<String>>> rows = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            List<Optional<String>> row = new ArrayList<>();
            for (int j = 0; j < columns; j++) {
                Optional<String> cell = Wire.cell(in, (int) Math.max(0, Math.min(Integer.MAX_VALUE, left)));
                left -= 4 + cell.map(String::length).orElse(0);
                row.add(cell);
            }
            rows.add(row);
        }
        return rows;
    }

    private void ready() throws IOException {
        if (!ready) {
            ScheduledFuture<?> end = overdueLater(START_MILLIS);
            try {
                in.readByte();
                ready = true;
            } finally {
                end.cancel(false);
            }
        }
    }

    private interface Answering<T> {
        T read() throws IOException;
    }

    private <T> T inTime(Answering<T> answering) throws IOException {
        ScheduledFuture<?> end = overdueLater(limits.statementTime().toMillis() + GRACE_MILLIS);
        try {
            return answering.read();
        } finally {
            end.cancel(false);
        }
    }

    private ScheduledFuture<?> overdueLater(long millis) {
        return CLOCK.schedule(() -> {
            overdue = true;
            process.destroyForcibly();
        }, millis, TimeUnit.MILLISECONDS);
    }

    /** Why it has ended; it is made sure that it has. */
    private String reason() {
        try {
            process.waitFor(2, TimeUnit.SECONDS);
            process.destroyForcibly().waitFor(2, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        if (overdue) {
            return limits.tooLong();
        }
        return !process.isAlive() && process.exitValue() == EXIT_OUT_OF_MEMORY ? limits.tooMuchMemory()
                : "The trial database has ended before it answered. Run it again.";
    }

    private static boolean several(String sql) {
        boolean ended = false;
        for (Token token : Lexer.tokens(sql)) {
            if (ended && !token.is(";")) {
                return true;
            }
            ended |= token.is(";");
        }
        return false;
    }

    /** Ends the process at once. */
    @Override
    public void close() {
        process.destroyForcibly();
    }
}
