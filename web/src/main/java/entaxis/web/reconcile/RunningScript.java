package entaxis.web.reconcile;

import entaxis.engines.migration.Execution;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A script on its way on a database: which statement runs, and how it is stopped from another thread. */
final class RunningScript implements Execution.Course {
    private static final Logger LOG = LoggerFactory.getLogger(RunningScript.class);
    private final List<String> statements;
    private volatile Optional<Progress> progress = Optional.empty();
    private volatile Optional<Statement> current = Optional.empty();
    private volatile boolean stopped;

    RunningScript(List<String> statements) {
        this.statements = List.copyOf(statements);
    }

    @Override
    public void begins(int number, Statement statement) {
        progress = Optional.of(new Progress(number + 1, statements.size(), statements.get(number)));
        current = Optional.of(statement);
    }

    @Override
    public boolean stopped() {
        return stopped;
    }

    Optional<Progress> progress() {
        return progress;
    }

    void stop() {
        stopped = true;
        current.ifPresent(statement -> {
            try {
                statement.cancel();
            } catch (SQLException e) {
                LOG.warn("a statement could not be cancelled: {}", e.getMessage());
            }
        });
    }
}
