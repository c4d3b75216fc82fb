package entaxis.engines.trial;

import entaxis.core.token.Lexer;
import entaxis.core.token.Token;
import entaxis.core.token.Token.Kind;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.h2.jdbc.JdbcException;

/**
 * One private database of the built-in engine. It lives in memory until closed; statements run as a user who owns one schema and has no other rights, so that they
 * reach neither files nor other databases. Each statement has limited time, rows and memory. Calls are served one after the other.
 */
public final class Trial implements AutoCloseable {
    private static final String USER = "TRIAL";
    private static final int MAX_CELL = 2_000;

    private final TrialLimits limits;
    private final Connection owner;
    private final Connection connection;

    /**
     * Opens an empty database.
     *
     * @throws TrialFailure if the engine does not start
     */
    public Trial(TrialLimits limits) {
        this.limits = limits;
        String name = "trial_" + UUID.randomUUID().toString().replace("-", "");
        String ownerPassword = UUID.randomUUID().toString();
        String password = UUID.randomUUID().toString();
        try {
            owner = DriverManager.getConnection("jdbc:h2:mem:" + name, "OWNER", ownerPassword);
            try (Statement statement = owner.createStatement()) {
                statement.execute("SET ALLOW_LITERALS ALL");
                statement.execute("CREATE USER " + USER + " PASSWORD '" + password + "'");
                statement.execute("CREATE SCHEMA DESIGN AUTHORIZATION " + USER);
            }
            connection = DriverManager.getConnection("jdbc:h2:mem:" + name + ";IFEXISTS=TRUE;SCHEMA=DESIGN", USER, password);
        } catch (SQLException e) {
            throw new TrialFailure("The built-in engine did not start: " + e.getMessage(), e);
        }
    }

    /** Runs statements in order, going on after one that is refused. */
    public synchronized List<StatementOutcome> run(List<String> statements) {
        return statements.stream().map(this::run).toList();
    }

    /** Runs one statement. */
    public synchronized StatementOutcome run(String sql) {
        long start = System.nanoTime();
        try (Statement statement = connection.createStatement(); Guard guard = new Guard(statement, limits)) {
            int count = statement.executeUpdate(sql);
            return new StatementOutcome(sql, true, count == 0 ? "done" : count == 1 ? "1 row" : count + " rows", micros(start));
        } catch (SQLException e) {
            return new StatementOutcome(sql, false, reason(e), micros(start));
        }
    }

    /** Runs one query. */
    public synchronized QueryOutcome query(String sql) {
        if (several(sql)) {
            return new QueryOutcome.Failed("These are several statements. Ask one question at a time.");
        }
        long start = System.nanoTime();
        try (Statement statement = connection.createStatement()) {
            statement.setMaxRows(limits.rows() + 1);
            try (Guard guard = new Guard(statement, limits); ResultSet result = statement.executeQuery(sql)) {
                return rows(result, start);
            }
        } catch (SQLException e) {
            boolean notAQuery = e.getErrorCode() == org.h2.api.ErrorCode.METHOD_ONLY_ALLOWED_FOR_QUERY;
            return new QueryOutcome.Failed(notAQuery ? "Only queries run here: SELECT, VALUES or WITH. Rows are entered above; tables follow from the design." : reason(e));
        }
    }

    private QueryOutcome rows(ResultSet result, long start) throws SQLException {
        List<String> columns = new ArrayList<>();
        for (int i = 1; i <= result.getMetaData().getColumnCount(); i++) {
            columns.add(result.getMetaData().getColumnLabel(i));
        }
        List<List<Optional<String>>> rows = new ArrayList<>();
        while (rows.size() < limits.rows() && result.next()) {
            List<Optional<String>> row = new ArrayList<>();
            for (int i = 1; i <= columns.size(); i++) {
                row.add(Optional.ofNullable(result.getString(i)).map(Trial::shortened));
            }
            rows.add(row);
        }
        return new QueryOutcome.Rows(columns, rows, rows.size() == limits.rows() && result.next(), micros(start));
    }

    private static boolean several(String sql) {
        boolean ended = false;
        for (Token token : Lexer.tokens(sql)) {
            boolean text = token.kind() != Kind.SPACE && token.kind() != Kind.COMMENT && !token.is(";");
            if (ended && text) {
                return true;
            }
            ended |= token.is(";");
        }
        return false;
    }

    private static String shortened(String value) {
        return value.length() > MAX_CELL ? value.substring(0, MAX_CELL) + "..." : value;
    }

    /** The engine's reason without the statement, which is shown beside it anyway. */
    private String reason(SQLException e) {
        if (e.getErrorCode() == org.h2.api.ErrorCode.STATEMENT_WAS_CANCELED) {
            return "Stopped: it took longer than " + limits.statementTime().toSeconds() + " seconds or more than " + (limits.allocation() >> 20) + " MB of memory.";
        }
        return e instanceof JdbcException engine ? engine.getOriginalMessage() : String.valueOf(e.getMessage());
    }

    private static long micros(long start) {
        return (System.nanoTime() - start) / 1000;
    }

    @Override
    public synchronized void close() {
        try (owner; connection) {
            connection.close();
        } catch (SQLException e) {
            throw new TrialFailure("The built-in engine did not stop: " + e.getMessage(), e);
        }
    }
}
