package entaxis.web.reading;

import entaxis.core.reading.Reading;
import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import entaxis.core.word.Words;
import entaxis.engines.catalog.CatalogProgress;
import entaxis.engines.catalog.LiveCatalog;
import entaxis.engines.connection.EngineDriver;
import entaxis.engines.sandbox.SandboxFailure;
import entaxis.web.reading.Attempt.Step;
import entaxis.web.work.Job;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DatabaseMetaData;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The databases that the operator lets Entaxis use. They stand in the file {@code connections.properties} of the data
 * folder (docs/connections.md); nothing of this ever comes from a page, and neither addresses nor passwords ever get
 * onto one, into a log or into a message.
 */
@Component
public class Connections {
    private static final BooleanSupplier GOES_ON = () -> false;
    private static final Duration FOR_READING = Duration.ofMinutes(10);
    private final Path folder;
    private final Optional<SiteDatabase> site;
    private final Map<String, String> environment;
    private final Duration connecting;
    private final Duration answering;

    @Autowired
    Connections(@Value("${entaxis.data:./data}") String folder, ObjectProvider<SiteDatabase> site,
            @Value("${entaxis.connections.connect-time:10s}") Duration connecting,
            @Value("${entaxis.connections.answer-time:60s}") Duration answering) {
        this(Path.of(folder), Optional.ofNullable(site.getIfAvailable()), System.getenv(), connecting, answering);
    }

    Connections(Path folder, Optional<SiteDatabase> site, Map<String, String> environment, Duration connecting,
            Duration answering) {
        this.folder = folder;
        this.site = site;
        this.environment = Map.copyOf(environment);
        this.connecting = connecting;
        this.answering = answering;
    }

    /** The databases that a data folder names, without one of a demo. */
    public static Connections of(Path folder) {
        return new Connections(folder, Optional.empty(), System.getenv(), Duration.ofSeconds(10),
                Duration.ofSeconds(60));
    }

    /** A database that can be used. */
    public record Configured(String name, Target engine) { }

    /** Says why a database could not be used. */
    public static final class Unreachable extends Exception {
        private static final long serialVersionUID = 1;

        /** With what happened and what to do. */
        public Unreachable(String message) {
            super(message);
        }
    }

    private ConnectionsFile file() {
        return ConnectionsFile.read(folder, environment);
    }

    /** The databases, by name; the demo's own first. */
    public List<Configured> list() {
        List<Configured> all = new ArrayList<>();
        site.ifPresent(database -> all.add(new Configured(SiteDatabase.NAME, Target.BUILT_IN)));
        file().connections().forEach(connection -> all.add(new Configured(connection.name(), connection.engine())));
        return all;
    }

    /** What is wrong with the file that names them, for the operator. */
    public List<String> problems() {
        return file().problems();
    }

    /**
     * Reads the catalog of a database.
     *
     * @throws Unreachable if there is no such database, or it does not answer
     */
    public Reading read(String name) throws Unreachable {
        return read(name, CatalogProgress.NONE, GOES_ON);
    }

    /**
     * Reads the catalog of a database as a job.
     *
     * @throws Job.Failed if there is no such database, it does not answer, or the job was stopped
     */
    public Reading read(String name, Job job) throws Job.Failed {
        try {
            job.tell("Connecting …");
            return read(name, rows -> {
                job.tell(String.format(Locale.ROOT, "%,d rows of the catalog read", rows));
                return !job.stopped();
            }, job::stopped);
        } catch (Unreachable e) {
            throw new Job.Failed(job.stopped() ? "Reading was stopped; nothing was made of it." : e.getMessage());
        }
    }

    private Reading read(String name, CatalogProgress progress, BooleanSupplier stopped) throws Unreachable {
        if (isSite(name)) {
            Schema read = use(name, stopped, "read", FOR_READING,
                    connection -> LiveCatalog.read(connection, Target.BUILT_IN, Optional.empty(), progress));
            return new Reading(Target.BUILT_IN, read, List.of(), List.of(), List.of(), 0);
        }
        ConnectionSettings settings = settings(name);
        Schema read = use(name, stopped, "read", FOR_READING,
                connection -> LiveCatalog.read(connection, settings.engine(), settings.schema(), progress));
        return new Reading(settings.engine(), read, List.of(), List.of(), List.of(), 0);
    }

    /** What is done with a connection. */
    public interface Use<T> {
        /** Does it; the connection is closed afterwards. */
        T on(Connection connection) throws SQLException;
    }

    /**
     * Does something on a database; each statement has the time that the operator gave, and all of it ends when it is
     * stopped.
     *
     * @throws Unreachable if there is no such database, it does not answer, or the work was stopped
     */
    public <T> T run(String name, BooleanSupplier stopped, Use<T> use) throws Unreachable {
        return use(name, stopped, "reached", Duration.ofDays(1), use);
    }

    /** The longest that one statement of a script may run on a database. */
    public Duration statementTime(String name) throws Unreachable {
        return isSite(name) ? answering : settings(name).statementTime();
    }

    private <T> T use(String name, BooleanSupplier stopped, String what, Duration all, Use<T> use) throws Unreachable {
        if (isSite(name)) {
            try (Connection connection = site.orElseThrow().open()) {
                return use.on(connection);
            } catch (SQLException | SandboxFailure e) {
                throw new Unreachable("The database “" + name + "” could not be " + what + ": " + e.getMessage());
            }
        }
        ConnectionSettings settings = settings(name);
        Optional<String> missing = settings.address().missing();
        if (missing.isPresent()) {
            throw new Unreachable("The database “" + name + "” could not be " + what + ". " + missing.get());
        }
        try {
            return LimitedUse.of(settings, connecting,
                    what.equals("read") ? answering : settings.statementTime().plus(answering), all, stopped, use::on);
        } catch (SQLException e) {
            throw new Unreachable(
                    "The database “" + name + "” could not be " + what + ": " + settings.scrubbed(e.getMessage()));
        }
    }

    private boolean isSite(String name) {
        return site.isPresent() && name.equals(SiteDatabase.NAME);
    }

    private ConnectionSettings settings(String name) throws Unreachable {
        ConnectionsFile file = file();
        return file.connections().stream().filter(one -> one.name().equals(name)).findFirst()
                .orElseThrow(() -> new Unreachable("No database “" + name
                + "” can be used; the operator names them in connections.properties."
                        + file.problems().stream().filter(problem -> problem.contains("“" + name + "”")).findFirst()
                                .map(problem -> " " + problem).orElse("")));
    }

    /** Tries what Entaxis needs of a database, one thing after the other. */
    public Attempt attempt(String name) {
        List<Step> steps = new ArrayList<>();
        if (isSite(name)) {
            steps.add(new Step("Settings", true, "the database of the demo; it needs none"));
            tried(name, Target.BUILT_IN, Optional.empty(), steps);
            return new Attempt(name, steps);
        }
        try {
            ConnectionSettings settings = settings(name);
            steps.add(new Step("Settings", true, "a driver for " + settings.engine().title() + " takes the address"));
            Optional<String> missing = settings.address().missing();
            if (missing.isPresent()) {
                steps.add(new Step("Address", false, missing.get()));
            } else {
                tried(name, settings.engine(), settings.schema(), steps);
            }
        } catch (Unreachable e) {
            steps.add(new Step("Settings", false, e.getMessage()));
        }
        return new Attempt(name, steps);
    }

    private void tried(String name, Target engine, Optional<String> schema, List<Step> steps) {
        List<Step> found = new ArrayList<>();
        try {
            use(name, GOES_ON, "tried", FOR_READING, connection -> {
                found.add(new Step("Address", true, "the server answers"));
                found.add(new Step("Sign-in", true, "accepted"));
                found.add(version(connection, engine));
                try {
                    Schema read = LiveCatalog.read(connection, engine, schema);
                    found.add(new Step("Catalog", true, Words.counted(read.tables().size(), "table") + " can be read"));
                } catch (SQLException e) {
                    found.add(new Step("Catalog", false, "it may not be read: " + scrubbed(name, e.getMessage())
                            + " Grant the account the right to read the catalog."));
                }
                return true;
            });
        } catch (Unreachable e) {
            boolean signIn = e.getMessage()
                    .matches("(?is).*(password|authentication|access denied|login failed|ORA-01017|user name|28000).*");
            if (found.isEmpty()) {
                found.add(new Step("Address", signIn, signIn ? "the server answers" : e.getMessage()));
            }
            if (signIn) {
                found.add(new Step("Sign-in", false, e.getMessage() + " Check the account and its password."));
            }
        }
        steps.addAll(found);
    }

    private String scrubbed(String name, String message) {
        try {
            return isSite(name) ? message : settings(name).scrubbed(message);
        } catch (Unreachable gone) {
            return "it is no longer configured.";
        }
    }

    private static Step version(Connection connection, Target engine) throws SQLException {
        Optional<DatabaseMetaData> data = Optional.ofNullable(connection.getMetaData());
        if (data.isEmpty()) {
            return new Step("Version", true, engine.title() + ", built in");
        }
        String product = data.get().getDatabaseProductName();
        String words = product + " " + data.get().getDatabaseProductVersion();
        boolean same = EngineDriver.of(engine).filter(driver -> driver.isProduct(product)).isPresent();
        return new Step("Version", same, same ? words : words + " answers, and " + engine.title()
                + " is configured. Change the engine in connections.properties.");
    }
}
