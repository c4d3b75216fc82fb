package entaxis.engines.migration;

import entaxis.core.migration.Alterations;
import entaxis.core.migration.Migration;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What came of running a migration.
 *
 * @param done    the statements that were carried out and stay so
 * @param failed  the statement that the engine refused
 * @param message what the engine said to it; empty if nothing failed
 * @param notDone the statements that were not run, or were undone with the transaction
 */
public record Execution(List<String> done, Optional<String> failed, String message, List<String> notDone) {
    /** Copies the lists. */
    public Execution {
        done = List.copyOf(done);
        notDone = List.copyOf(notDone);
    }

    /** Whether every statement was carried out. */
    public boolean whole() {
        return failed.isEmpty();
    }

    /**
     * Runs statement after statement and stops at the first that is refused; what the engine can undo then is undone.
     */
    public static Execution of(Connection connection, Migration migration) {
        return of(connection, migration, Duration.ZERO, new Course() { });
    }

    /** Who hears how a script goes on, and can stop it. */
    public interface Course {
        /** A statement begins; its number counts from 0. It can be cancelled through what is handed over. */
        default void begins(int number, Statement statement) { }

        /** Whether no further statement is to be run. */
        default boolean stopped() {
            return false;
        }
    }

    /** How many seconds a statement of a migration waits for a lock that somebody else holds, at most. */
    public static final int LOCK_SECONDS = 10;

    /**
     * The same, telling how it goes on. No statement waits for a lock longer than {@link #LOCK_SECONDS}, so that those
     * who use the database do not queue up behind it.
     *
     * @param statementTime the longest that one statement may run; zero for no limit
     */
    public static Execution of(Connection connection, Migration migration, Duration statementTime, Course course) {
        List<String> statements = migration.statements();
        List<String> done = new ArrayList<>();
        try (Statement statement = connection.createStatement()) {
            statement.setQueryTimeout((int) statementTime.toSeconds());
            Optional<String> locks = Alterations.of(migration.engine()).lockLimit(LOCK_SECONDS);
            if (locks.isPresent()) {
                statement.execute(locks.get());
            }
            for (int i = 0; i < statements.size(); i++) {
                try {
                    if (course.stopped()) {
                        throw new SQLException("It was stopped before this statement.");
                    }
                    course.begins(i, statement);
                    statement.execute(statements.get(i));
                    done.add(statements.get(i));
                } catch (SQLException e) {
                    List<String> rest = new ArrayList<>(statements.subList(i + 1, statements.size()));
                    boolean undone = migration.transactional() && undo(statement);
                    int kept = undone ? Math.max(0,
                            done.indexOf("BEGIN") >= 0 ? done.indexOf("BEGIN") : done.indexOf("BEGIN TRANSACTION"))
                            : done.size();
                    rest.addAll(0, done.subList(kept, done.size()));
                    return new Execution(done.subList(0, kept), Optional.of(statements.get(i)), e.getMessage(), rest);
                }
            }
        } catch (SQLException e) {
            return new Execution(done, Optional.of(""), e.getMessage(),
                    statements.subList(done.size(), statements.size()));
        }
        return new Execution(done, Optional.empty(), "", List.of());
    }

    private static boolean undo(Statement statement) {
        try {
            statement.execute("ROLLBACK");
            return true;
        } catch (SQLException none) {
            return false;
        }
    }
}
