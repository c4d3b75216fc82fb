package entaxis.engines.trial;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.sql.SQLException;
import java.sql.Statement;

/** Watches a statement that runs in the thread that made this, and cancels it when it takes too long or allocates too much. */
final class Guard implements AutoCloseable {
    private static final ThreadMXBean THREADS = (ThreadMXBean) ManagementFactory.getThreadMXBean();
    private static final long INTERVAL_MILLIS = 20;

    private final Thread watcher;

    Guard(Statement statement, TrialLimits limits) {
        long thread = Thread.currentThread().threadId();
        long allocatedBefore = THREADS.getThreadAllocatedBytes(thread);
        long end = System.nanoTime() + limits.statementTime().toNanos();
        watcher = Thread.ofPlatform().daemon().name("trial-guard").start(() -> {
            try {
                while (System.nanoTime() < end && THREADS.getThreadAllocatedBytes(thread) - allocatedBefore < limits.allocation()) {
                    Thread.sleep(INTERVAL_MILLIS);
                }
                while (true) {
                    statement.cancel();
                    Thread.sleep(INTERVAL_MILLIS);
                }
            } catch (InterruptedException | SQLException finished) {
                Thread.currentThread().interrupt();
            }
        });
    }

    @Override
    public void close() {
        watcher.interrupt();
    }
}
