package entaxis.web.store;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.mvstore.MVStoreException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keeps the file of the store small. The engine rewrites changed pages at each commit and leaves the old ones
 * behind; it tidies up by itself only where commits are
 * not written at once, which ours are. So it is asked to, a moment at a time, after so many commits; and once more,
 * thoroughly, when Entaxis stops.
 */
@Component
class StoreUpkeep {
    private static final Logger LOG = LoggerFactory.getLogger(StoreUpkeep.class);
    private static final long LOOK_MILLIS = 500;
    private static final int FILL_PERCENT = 90;
    /** How much is rewritten at a time, so that edits do not wait for it. */
    private static final int SLICE_BYTES = 4 << 20;
    private static final long SMALL = 2L << 20;

    private final DataSource source;
    private final ObjectProvider<StoreHealth> health;
    private final Optional<Path> file;
    private final int every;
    private final AtomicLong commits = new AtomicLong();
    private volatile long tidied = SMALL;
    private final ScheduledExecutorService clock =
            Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("store-upkeep").factory());

    StoreUpkeep(DataSource source, ObjectProvider<StoreHealth> health, @Value("${spring.datasource.url}") String url,
            @Value("${entaxis.data:./data}") String folder,
            @Value("${entaxis.store.tidy-after:50}") int every) {
        this.source = source;
        this.health = health;
        this.every = every;
        this.file =
                url.startsWith("jdbc:h2:file:") ? Optional.of(Path.of(folder, StoreFiles.DATABASE)) : Optional.empty();
        clock.scheduleWithFixedDelay(this::look, LOOK_MILLIS, LOOK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** Something was written. */
    void wrote() {
        commits.incrementAndGet();
    }

    private void look() {
        try {
            health.ifAvailable(StoreHealth::look);
            if (file.isPresent()) {
                Backup.serve(file.get().getParent(), source);
            }
            boolean full = health.stream().anyMatch(store -> store.trouble().isPresent());
            if (file.isPresent()
                    && (commits.get() >= every || commits.get() > 0 && (full || size() > 2 * tidied + SMALL))) {
                commits.set(0);
                tidy();
            }
        } catch (SQLException | IOException | RuntimeException e) {
            LOG.debug("the store could not be tidied", e);
        }
    }

    /**
     * Live pages of chunks that are mostly dead are rewritten, so that the engine can use the room of the old
     * chunks again. (Moving chunks as well, which would make
     * the file shorter at once, fails inside the engine while it is in use.) What was written is brought to the disk
     * before and after, because the engine writes over
     * chunks that have been dead for longer than the retention time of the address in application.yml.
     */
    private void tidy() throws SQLException {
        try (Connection connection = source.getConnection(); Statement statement = connection.createStatement()) {
            if (connection.unwrap(JdbcConnection.class).getSession() instanceof SessionLocal session) {
                statement.execute("checkpoint sync");
                session.getDatabase().getStore().getMvStore().compact(FILL_PERCENT, SLICE_BYTES);
                statement.execute("checkpoint sync");
                tidied = Math.max(SMALL, size());
            }
        } catch (MVStoreException e) {
            throw new SQLException(e);
        }
    }

    private long size() {
        try {
            return Files.size(file.orElseThrow());
        } catch (IOException gone) {
            return 0;
        }
    }

    /** The database is closed and its file made as small as it can be. */
    @PreDestroy
    void stop() {
        clock.shutdownNow();
        if (file.isPresent()) {
            try (Connection connection = source.getConnection(); Statement statement = connection.createStatement()) {
                statement.execute("shutdown compact");
            } catch (SQLException e) {
                LOG.debug("the store was closed without being tidied", e);
            }
        }
    }
}
