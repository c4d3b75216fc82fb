package entaxis.web.store;

import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import javax.sql.DataSource;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Whether the store takes edits, and if not, why. A disk that is nearly full is noticed before the engine meets it,
 * because the engine closes a database that it
 * cannot write; a database that was closed is opened again at the next use. The log has each trouble once, when it
 * begins, and once when it is over.
 */
@Component
public class StoreHealth {
    private static final Logger LOG = LoggerFactory.getLogger(StoreHealth.class);
    private static final long KILOBYTE = 1024;
    /** With less room than this it is not said that all is well again. */
    private static final long ENOUGH = 512 * KILOBYTE;

    private final Path folder;
    private final long leastFree;
    private final DataSource source;
    private volatile Optional<String> trouble = Optional.empty();

    StoreHealth(@Value("${entaxis.data:./data}") String folder,
            @Value("${entaxis.store.least-free-kilobytes:2048}") long leastFreeKilobytes, DataSource source) {
        this.folder = Path.of(folder);
        this.leastFree = leastFreeKilobytes * KILOBYTE;
        this.source = source;
    }

    /** What is the matter with the store, for people; empty if all is well. */
    public Optional<String> trouble() {
        return trouble;
    }

    /**
     * Called before anything is written.
     *
     * @throws StoreUnavailable if the disk has no room for it
     */
    void beforeWrite() {
        long free = free();
        if (free < leastFree) {
            String message = String.format(Locale.ROOT,
                    "The disk that holds the data folder is full: %,d kB are free, and %,d kB are the least for an "
                            + "edit. "
                            + "Make room on it; edits are taken again by themselves then. All that was kept is safe "
                            + "and can be read.",
                    free / KILOBYTE, leastFree / KILOBYTE);
            begins(message, null);
            throw new StoreUnavailable(message);
        }
    }

    /** Called when something was written and is on the disk. */
    void afterWrite() {
        if (trouble.isPresent()) {
            LOG.info("the store takes edits again");
            trouble = Optional.empty();
        }
    }

    /** Called when the engine could not write or read; connections that may be broken are no longer used. */
    public StoreUnavailable failed(Exception cause) {
        String message =
                "The store does not answer as it should, so nothing was changed. Check the disk that holds the data "
                        + "folder; it is tried again at the next edit. "
                + "All that was kept before is safe.";
        begins(message, cause);
        if (source instanceof HikariDataSource pool && pool.getHikariPoolMXBean() != null) {
            pool.getHikariPoolMXBean().softEvictConnections();
        }
        return new StoreUnavailable(message);
    }

    private void begins(String message, Exception cause) {
        if (trouble.isEmpty()) {
            LOG.error("the store takes no edits: {}", message, cause);
        }
        trouble = Optional.of(message);
    }

    /** Whether the disk has room again, asked while there is trouble. */
    public void look() {
        if (trouble.isPresent() && free() >= Math.max(leastFree, ENOUGH)) {
            try (var connection = source.getConnection(); var statement = connection.createStatement()) {
                statement.execute("checkpoint sync");
                afterWrite();
            } catch (java.sql.SQLException still) {
                LOG.debug("the store does not answer yet", still);
            }
        }
    }

    private long free() {
        try {
            return Files.isDirectory(folder) ? Files.getFileStore(folder).getUsableSpace() : Long.MAX_VALUE;
        } catch (IOException unknown) {
            return Long.MAX_VALUE;
        }
    }
}
