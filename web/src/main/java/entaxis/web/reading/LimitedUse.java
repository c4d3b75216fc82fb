package entaxis.web.reading;

import entaxis.engines.connection.EngineDriver;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.SQLTimeoutException;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.BooleanSupplier;

/**
 * A connection opened and used in a thread of its own, so that nobody waits for a server longer than they want to:
 * whatever the driver is doing, whoever asked goes on
 * when the time is over or the work is stopped. The connection is then broken off.
 */
final class LimitedUse {
    private static final long LOOK_MILLIS = 50;

    private LimitedUse() { }

    /** What is done with a connection. */
    interface Use<T> {
        T on(Connection connection) throws SQLException;
    }

    /**
     * Opens, uses and closes.
     *
     * @param connecting the longest that opening may take
     * @param answering  the longest that a single answer of the server may take
     * @param all        the longest that the use may take
     * @throws SQLException with the driver's reason, or because a limit was met or the work was stopped
     */
    static <T> T of(ConnectionSettings settings, Duration connecting, Duration answering, Duration all,
            BooleanSupplier stopped, Use<T> use) throws SQLException {
        AtomicReference<Connection> opened = new AtomicReference<>();
        AtomicBoolean unwanted = new AtomicBoolean();
        CompletableFuture<T> result = new CompletableFuture<>();
        Thread.ofPlatform().daemon().name("connection " + settings.name()).start(() -> {
            try (Connection connection = open(settings, connecting, answering)) {
                opened.set(connection);
                if (!unwanted.get()) {
                    result.complete(use.on(connection));
                }
            } catch (SQLException | RuntimeException e) {
                result.completeExceptionally(e);
            }
        });
        long start = System.nanoTime();
        try {
            while (true) {
                try {
                    return result.get(LOOK_MILLIS, TimeUnit.MILLISECONDS);
                } catch (TimeoutException goesOn) {
                    Duration took = Duration.ofNanos(System.nanoTime() - start);
                    Optional<String> over = stopped.getAsBoolean() ? Optional.of("it was stopped")
                            : opened.get() == null && took.compareTo(connecting) > 0
                                    ? Optional.of("nothing answered within " + connecting.toSeconds()
                                            + " seconds. Check the address, and whether the server runs")
                            : took.compareTo(all) > 0
                                    ? Optional.of("it took longer than " + all.toSeconds() + " seconds")
                            : Optional.empty();
                    if (over.isPresent()) {
                        unwanted.set(true);
                        abort(opened.get());
                        throw new SQLTimeoutException(over.get());
                    }
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new SQLTimeoutException("it was stopped");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof SQLException reason) {
                throw reason;
            }
            throw new SQLException(
                    e.getCause() == null ? "the driver failed" : String.valueOf(e.getCause().getMessage()),
                    e.getCause());
        }
    }

    private static void abort(Connection connection) {
        if (connection != null) {
            Thread.ofPlatform().daemon().name("abort").start(() -> {
                try {
                    connection.abort(Runnable::run);
                } catch (SQLException | RuntimeException broken) {
                    Thread.yield();
                }
            });
        }
    }

    private static Connection open(ConnectionSettings settings, Duration connecting, Duration answering)
            throws SQLException {
        Properties properties = new Properties();
        settings.user().ifPresent(user -> properties.setProperty("user", user));
        settings.password().ifPresent(password -> properties.setProperty("password", password));
        EngineDriver.of(settings.engine()).map(driver -> driver.limits(connecting, answering)).orElse(Map.of())
                .forEach(properties::setProperty);
        return DriverManager.getConnection(settings.address().url(), properties);
    }
}
