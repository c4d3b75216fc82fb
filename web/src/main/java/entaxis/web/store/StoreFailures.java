package entaxis.web.store;

import java.util.Set;
import org.h2.api.ErrorCode;
import org.h2.mvstore.MVStoreException;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in plain words why the store could not be opened, what is safe and how to get on. */
class StoreFailures extends AbstractFailureAnalyzer<Throwable> {
    private static final Set<Integer> DAMAGED = Set.of(ErrorCode.FILE_CORRUPTED_1, ErrorCode.FILE_VERSION_ERROR_1);

    @Override
    protected FailureAnalysis analyze(Throwable failure, Throwable outermost) {
        for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
            if (cause instanceof StoreVersion.NewerStore newer) {
                return new FailureAnalysis(newer.getMessage(),
                        "Start the newer version again, or name another folder with --data. A backup made with this "
                                + "version can be brought back with "
                        + "./entaxis restore FILE.", failure);
            }
            if (cause instanceof MVStoreException
                    || cause instanceof org.h2.jdbc.JdbcException engine && DAMAGED.contains(engine.getErrorCode())) {
                return new FailureAnalysis(
                        "The store " + StoreFiles.DATABASE
                                + " in the data folder is damaged and cannot be opened. It was not changed.",
                        "Copy the data folder away first. Then bring a backup back with ./entaxis restore FILE "
                                + "(./entaxis verify FILE looks at one), or name another folder with --data.",
                        failure);
            }
        }
        return null;
    }
}
