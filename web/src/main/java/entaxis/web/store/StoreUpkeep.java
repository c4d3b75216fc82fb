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
import org.h2.mvstore.MVStore;
import org.h2.mvstore.MVStoreException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keeps the file of the store small. The engine writes changed pages anew at each commit and leaves the old ones behind; it tidies up by itself only where commits are
 * not written at once, which ours are. So it is asked to, a moment at a time, after so many commits; and once more, thoroughly, when Entaxis stops.
 */
@Component
class StoreUpkeep {
    private static final Logger LOG = LoggerFactory.getLogger(StoreUpkeep.class);
    private static final long LOOK_MILLIS = 1000;
    /** The longest that edits may have to wait for it. */
    private static final int SLICE_MILLIS = 120;
    private static final long SMALL = 2L << 20;

    private final DataSource source;
    private final ObjectProvider<StoreHealth> health;
    private final Optional<Path> file;
    private final int every;
    private final AtomicLong commits = new AtomicLong();
    private volatile long tidied = SMALL;
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(Thread.ofPlatform().daemon().name("store-upkeep").factory());

    StoreUpkeep(DataSource source, ObjectProvider<StoreHealth> health, @Value("${spring.datasource.url}") String url, @Value("${entaxis.data:./data}") String folder,
            @Value("${entaxis.store.tidy-after:200}") int every) {
        this.source = source;
        this.health = health;
        this.every = every;
        this.file = url.startsWith("jdbc:h2:file:") ? Optional.of(Path.of(folder, StoreFiles.DATABASE)) : Optional.empty();
        clock.scheduleWithFixedDelay(this::look, LOOK_MILLIS, LOOK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /** Something was written. */
    void wrote() {
        commits.incrementAndGet();
    }

    private void look() {
        try {
            health.ifAvailable(StoreHealth::look);
            if (file.isPresent() && (commits.get() >= every || commits.get() > 0 && size() > 2 * tidied + SMALL)) {
                commits.set(0);
                tidy();
            }
        } catch (SQLException | RuntimeException e) {
            LOG.debug("the store could not be tidied", e);
        }
    }

    private void tidy() throws SQLException {
        try (Connection connection = source.getConnection()) {
            if (connection.unwrap(JdbcConnection.class).getSession() instanceof SessionLocal session) {
                MVStore store = session.getDatabase().getStore().getMvStore();
                store.compactFile(SLICE_MILLIS);
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
