package entaxis.web.reading;

import entaxis.core.design.Target;
import entaxis.core.reading.Reading;
import entaxis.core.schema.Schema;
import entaxis.engines.catalog.CatalogProgress;
import entaxis.engines.catalog.LiveCatalog;
import entaxis.web.work.Job;
import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Properties;
import java.util.TreeSet;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * The databases that the operator lets Entaxis read. They stand in the file {@code connections.properties} of the data folder, with {@code NAME.url}, {@code NAME.engine} and, where
 * wanted, {@code NAME.user}, {@code NAME.password} and {@code NAME.schema}; nothing of this ever comes from a page.
 */
@Component
public class Connections {
    private static final int SECONDS = 10;
    private final Path file;
    private final Optional<SiteDatabase> site;

    @Autowired
    Connections(@Value("${entaxis.data:./data}") String folder, ObjectProvider<SiteDatabase> site) {
        this(Path.of(folder), Optional.ofNullable(site.getIfAvailable()));
    }

    Connections(Path folder, Optional<SiteDatabase> site) {
        this.file = folder.resolve("connections.properties");
        this.site = site;
    }

    /** The databases that a data folder names, without one of a demo. */
    public static Connections of(Path folder) {
        return new Connections(folder, Optional.empty());
    }

    /** A database that can be read. */
    public record Configured(String name, Target engine) { }

    /** Says why a database could not be read. */
    public static final class Unreachable extends Exception {
        private static final long serialVersionUID = 1;

        /** With what happened and what to do. */
        public Unreachable(String message) {
            super(message);
        }
    }

    /** The databases, by name; the demo's own first. Lines that name no engine known here are left out. */
    public List<Configured> list() {
        List<Configured> all = new ArrayList<>();
        site.ifPresent(database -> all.add(new Configured(SiteDatabase.NAME, Target.H2)));
        Properties properties = properties();
        TreeSet<String> names = new TreeSet<>();
        properties.stringPropertyNames().stream().filter(key -> key.endsWith(".url")).forEach(key -> names.add(key.substring(0, key.length() - ".url".length())));
        names.forEach(name -> Target.of(properties.getProperty(name + ".engine", "").strip()).ifPresent(engine -> all.add(new Configured(name, engine))));
        return all;
    }

    private Properties properties() {
        Properties properties = new Properties();
        if (Files.isRegularFile(file)) {
            try (Reader reader = Files.newBufferedReader(file)) {
                properties.load(reader);
            } catch (IOException | IllegalArgumentException e) {
                properties.clear();
            }
        }
        return properties;
    }

    /**
     * Reads the catalog of a database.
     *
     * @throws Unreachable if there is no such database, or it does not answer
     */
    public Reading read(String name) throws Unreachable {
        return read(name, CatalogProgress.NONE);
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
            });
        } catch (Unreachable e) {
            throw new Job.Failed(job.stopped() ? "Reading was stopped; nothing was made of it." : e.getMessage());
        }
    }

    private Reading read(String name, CatalogProgress progress) throws Unreachable {
        Configured configured = list().stream().filter(database -> database.name().equals(name)).findFirst()
                .orElseThrow(() -> new Unreachable("No database “" + name + "” is configured; the operator names them in connections.properties."));
        Properties properties = properties();
        try (Connection connection = open(name, properties)) {
            Optional<String> schema = Optional.ofNullable(properties.getProperty(name + ".schema")).map(String::strip).filter(text -> !text.isEmpty());
            Schema read = LiveCatalog.read(connection, configured.engine(), schema, progress);
            return new Reading(configured.engine(), read, List.of(), List.of(), List.of(), 0);
        } catch (SQLException e) {
            throw new Unreachable("The database “" + name + "” could not be read: " + e.getMessage());
        }
    }

    /** What is done with a connection. */
    public interface Use<T> {
        /** Does it; the connection is closed afterwards. */
        T on(Connection connection) throws SQLException;
    }

    /**
     * Does something on a database.
     *
     * @throws Unreachable if there is no such database, or it does not answer
     */
    public <T> T run(String name, Use<T> use) throws Unreachable {
        if (list().stream().noneMatch(database -> database.name().equals(name))) {
            throw new Unreachable("No database “" + name + "” is configured; the operator names them in connections.properties.");
        }
        try (Connection connection = open(name, properties())) {
            return use.on(connection);
        } catch (SQLException e) {
            throw new Unreachable("The database “" + name + "” could not be reached: " + e.getMessage());
        }
    }

    private Connection open(String name, Properties properties) throws SQLException {
        if (site.isPresent() && name.equals(SiteDatabase.NAME)) {
            return site.get().open();
        }
        DriverManager.setLoginTimeout(SECONDS);
        String user = properties.getProperty(name + ".user");
        String url = properties.getProperty(name + ".url").strip();
        return user == null ? DriverManager.getConnection(url) : DriverManager.getConnection(url, user.strip(), properties.getProperty(name + ".password", ""));
    }
}
