package entaxis.web;

import org.h2.api.ErrorCode;
import org.h2.jdbc.JdbcSQLNonTransientConnectionException;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in plain words that another Entaxis has the data folder open. */
class DataFolderInUse extends AbstractFailureAnalyzer<JdbcSQLNonTransientConnectionException> {
    @Override
    protected FailureAnalysis analyze(Throwable failure, JdbcSQLNonTransientConnectionException cause) {
        return cause.getErrorCode() != ErrorCode.DATABASE_ALREADY_OPEN_1 ? null
                : new FailureAnalysis("The data folder is in use by another Entaxis.",
                        "Use the one that runs, stop it first, or name another folder with --data.", cause);
    }
}
