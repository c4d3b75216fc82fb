package entaxis.engines.sandbox;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.TimeUnit;
import org.h2.api.ErrorCode;
import org.h2.jdbc.JdbcException;

/**
 * The process in which users' statements run: one database of the built-in engine in memory, and one connection to it
 * as a user who may make schemas and tables
 * and nothing else. It serves what comes through its input until that ends, which it also does when the server is
 * killed.
 */
public final class SandboxProcess {
    private static final String USER = "TRIAL";
    /** Texts of one request are at most this long, in bytes. */
    private static final int MAX_REQUEST = 64 << 20;
    private static final int MAX_CELL = 2_000;

    private Connection owner;
    private Connection connection;
    private final SandboxLimits limits;
    private final DataOutputStream out;
    private volatile boolean wanted;
    private final SynchronousQueue<Request> requests = new SynchronousQueue<>();
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("clock").factory());

    private SandboxProcess(Connection owner, Connection connection, SandboxLimits limits, DataOutputStream out) {
        this.owner = owner;
        this.connection = connection;
        this.limits = limits;
        this.out = out;
    }

    /** Serves one conversation; the limits are the arguments: milliseconds, megabytes, rows, bytes. */
    public static void main(String[] args) throws IOException, SQLException, InterruptedException {
        DataOutputStream out =
                new DataOutputStream(new BufferedOutputStream(new FileOutputStream(FileDescriptor.out), 1 << 16));
        System.setOut(new PrintStream(new FileOutputStream(FileDescriptor.err), true));
        SandboxLimits limits = new SandboxLimits(Duration.ofMillis(Long.parseLong(args[0])), Integer.parseInt(args[1]),
                Integer.parseInt(args[2]), Integer.parseInt(args[3]));
        try {
            Connection owner = DriverManager.getConnection("jdbc:h2:mem:trial", "OWNER", UUID.randomUUID().toString());
            SandboxProcess process = new SandboxProcess(owner, user(owner), limits, out);
            out.writeByte(Wire.DONE);
            out.flush();
            Thread.ofPlatform().daemon().name("statements").start(process::serve);
            process.listen(new DataInputStream(new BufferedInputStream(System.in, 1 << 16)));
        } finally {
            Runtime.getRuntime().halt(0);
        }
    }

    private static Connection user(Connection owner) throws SQLException {
        String password = UUID.randomUUID().toString();
        try (Statement statement = owner.createStatement()) {
            statement.execute("CREATE USER " + USER + " PASSWORD '" + password + "'");
            statement.execute("GRANT ALTER ANY SCHEMA TO " + USER);
        }
        return DriverManager.getConnection("jdbc:h2:mem:trial;IFEXISTS=TRUE", USER, password);
    }

    /** A fresh database and a user of it, in the place of the one before. */
    private void reset() throws SQLException, IOException {
        connection.close();
        owner.close();
        owner = DriverManager.getConnection("jdbc:h2:mem:trial", "OWNER", UUID.randomUUID().toString());
        connection = user(owner);
        out.writeByte(Wire.DONE);
    }

    /** What the server asks for. */
    private sealed interface Request {
        record Run(List<String> statements) implements Request { }

        record Ask(String question) implements Request { }

        record Read(String query, List<String> parameters) implements Request { }

        record Reset() implements Request { }
    }

    /**
     * Takes requests until the input ends, which it also does while a statement runs: then the process is no longer
     * wanted.
     */
    private void listen(DataInputStream in) throws IOException, InterruptedException {
        for (int request = in.read(); request >= 0; request = in.read()) {
            wanted = true;
            requests.put(switch (request) {
                case Wire.RUN -> new Request.Run(Wire.texts(in, MAX_REQUEST));
                case Wire.ASK -> new Request.Ask(Wire.text(in, MAX_REQUEST));
                case Wire.READ -> new Request.Read(Wire.text(in, MAX_REQUEST), Wire.texts(in, MAX_REQUEST));
                case Wire.RESET -> new Request.Reset();
                default -> throw new IOException("request " + request + " is not known");
            });
        }
    }

    private void serve() {
        try {
            WarmUp.until(() -> wanted);
            while (true) {
                switch (requests.take()) {
                    case Request.Run(List<String> statements) -> run(statements);
                    case Request.Ask(String question) -> ask(question);
                    case Request.Read(String query, List<String> parameters) -> read(query, parameters);
                    case Request.Reset() -> reset();
                }
                out.flush();
            }
        } catch (IOException | InterruptedException | SQLException gone) {
            Runtime.getRuntime().halt(1);
        }
    }

    private void run(List<String> statements) throws IOException {
        for (String sql : statements) {
            long start = System.nanoTime();
            try (Statement statement = connection.createStatement()) {
                int count = timed(statement, () -> statement.execute(sql) ? -1 : statement.getUpdateCount());
                out.writeByte(Wire.DONE);
                out.writeInt(count);
            } catch (SQLException e) {
                refused(e);
            }
            out.writeLong((System.nanoTime() - start) / 1000);
            out.flush();
        }
    }

    private void ask(String sql) throws IOException {
        long start = System.nanoTime();
        try (Statement statement = connection.createStatement()) {
            statement.setMaxRows(limits.rows() + 1);
            Answer answer = timed(statement, () -> {
                try (ResultSet result = statement.executeQuery(sql)) {
                    return shortened(result);
                }
            });
            out.writeByte(Wire.DONE);
            Wire.texts(out, answer.columns());
            rows(answer.columns().size(), answer.rows());
            out.writeBoolean(answer.more());
        } catch (SQLException e) {
            refused(e);
        }
        out.writeLong((System.nanoTime() - start) / 1000);
    }

    private record Answer(List<String> columns, List<List<Optional<String>>> rows, boolean more) { }

    private Answer shortened(ResultSet result) throws SQLException {
        List<String> columns = columns(result);
        List<List<Optional<String>>> rows = new ArrayList<>();
        long bytes = 0;
        while (rows.size() < limits.rows() && bytes < limits.answerBytes() && result.next()) {
            List<Optional<String>> row = new ArrayList<>();
            for (int i = 1; i <= columns.size(); i++) {
                Optional<String> cell = Optional.ofNullable(result.getString(i))
                        .map(value -> value.length() > MAX_CELL ? value.substring(0, MAX_CELL) + "..." : value);
                bytes += 4 + cell.map(value -> 3 * value.length()).orElse(0);
                row.add(cell);
            }
            rows.add(row);
        }
        return new Answer(columns, rows, result.next());
    }

    private void read(String sql, List<String> parameters) throws IOException {
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            for (int i = 0; i < parameters.size(); i++) {
                statement.setString(i + 1, parameters.get(i));
            }
            Answer answer = timed(statement, () -> {
                try (ResultSet result = statement.executeQuery()) {
                    return whole(result);
                }
            });
            out.writeByte(Wire.DONE);
            Wire.texts(out, answer.columns());
            rows(answer.columns().size(), answer.rows());
        } catch (SQLException e) {
            refused(e);
        }
    }

    private static Answer whole(ResultSet result) throws SQLException {
        List<String> columns = columns(result);
        List<List<Optional<String>>> rows = new ArrayList<>();
        while (result.next()) {
            List<Optional<String>> row = new ArrayList<>();
            for (int i = 1; i <= columns.size(); i++) {
                row.add(Optional.ofNullable(result.getString(i)));
            }
            rows.add(row);
        }
        return new Answer(columns, rows, false);
    }

    private static List<String> columns(ResultSet result) throws SQLException {
        List<String> columns = new ArrayList<>();
        for (int i = 1; i <= result.getMetaData().getColumnCount(); i++) {
            columns.add(result.getMetaData().getColumnLabel(i));
        }
        return columns;
    }

    private void rows(int columns, List<List<Optional<String>>> rows) throws IOException {
        out.writeInt(rows.size());
        for (List<Optional<String>> row : rows) {
            for (int i = 0; i < columns; i++) {
                Wire.cell(out, row.get(i));
            }
        }
    }

    private interface Work<T> {
        T done() throws SQLException;
    }

    /**
     * Asks the engine to give up when the time is over; where it does not, the server kills this process a moment
     * later.
     */
    private <T> T timed(Statement statement, Work<T> work) throws SQLException {
        ScheduledFuture<?> end = clock.scheduleAtFixedRate(() -> {
            try {
                statement.cancel();
            } catch (SQLException closed) {
                throw new IllegalStateException("the statement has ended", closed);
            }
        }, limits.statementTime().toMillis(), 20, TimeUnit.MILLISECONDS);
        try {
            return work.done();
        } finally {
            end.cancel(false);
        }
    }

    private void refused(SQLException e) throws IOException {
        if (e.getErrorCode() == ErrorCode.OUT_OF_MEMORY) {
            Runtime.getRuntime().halt(Sandbox.EXIT_OUT_OF_MEMORY);
        }
        out.writeByte(e.getErrorCode() == ErrorCode.STATEMENT_WAS_CANCELED ? Wire.TOO_LONG : Wire.REFUSED);
        Wire.text(out,
                e instanceof JdbcException engine ? engine.getOriginalMessage() : String.valueOf(e.getMessage()));
        out.writeInt(e.getErrorCode());
    }
}
