package entaxis.web.store;

import java.sql.SQLException;
import java.sql.Statement;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.db.Store;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.datasource.ConnectionHolder;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.transaction.support.DefaultTransactionStatus;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Transactions that are on the disk when they have ended, not only in the operating system's memory: what was
 * acknowledged survives a loss of power.
 */
@Component
@Primary
class StoreTransactions extends JdbcTransactionManager {
    private static final long serialVersionUID = 1;

    private final transient StoreHealth health;
    private final transient StoreUpkeep upkeep;
    private final boolean sync;

    StoreTransactions(DataSource source, StoreHealth health, StoreUpkeep upkeep,
            @Value("${entaxis.store.sync:true}") boolean sync) {
        super(source);
        this.health = health;
        this.upkeep = upkeep;
        this.sync = sync;
    }

    @Override
    protected void doBegin(Object transaction, TransactionDefinition definition) {
        if (!definition.isReadOnly()) {
            health.beforeWrite();
        }
        super.doBegin(transaction, definition);
    }

    @Override
    protected void doCommit(DefaultTransactionStatus status) {
        super.doCommit(status);
        if (!status.isReadOnly()) {
            if (sync && TransactionSynchronizationManager
                    .getResource(obtainDataSource()) instanceof ConnectionHolder holder) {
                synced(holder);
            }
            health.afterWrite();
            upkeep.wrote();
        }
    }

    @Override
    protected void doRollback(DefaultTransactionStatus status) {
        if (!endedByEngine()) {
            super.doRollback(status);
        }
    }

    @Override
    protected void doCleanupAfterCompletion(Object transaction) {
        endedByEngine();
        super.doCleanupAfterCompletion(transaction);
    }

    /**
     * Whether the engine has closed its file because it could not write it. Its sessions are ended then: H2 2.4 spins
     * for ever in the next statement of one that stays, be it a ROLLBACK (MVStore.registerVersionUsage).
     */
    private boolean endedByEngine() {
        if (TransactionSynchronizationManager.getResource(obtainDataSource()) instanceof ConnectionHolder holder) {
            try {
                if (holder.getConnection().unwrap(JdbcConnection.class).getSession() instanceof SessionLocal session) {
                    Store file = session.getDatabase().getStore();
                    if (file == null || file.getMvStore().isClosed()) {
                        session.getDatabase().shutdownImmediately();
                        return true;
                    }
                }
            } catch (SQLException closed) {
                return true;
            }
        }
        return false;
    }

    private static void synced(ConnectionHolder holder) {
        try (Statement statement = holder.getConnection().createStatement()) {
            statement.execute("checkpoint sync");
        } catch (SQLException e) {
            throw new TransactionSystemException("what was kept could not be brought to the disk", e);
        }
    }
}
