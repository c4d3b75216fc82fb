package entaxis.engines.sqlite;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;

/** How the driver of SQLite is spoken to. */
public final class SqliteDriver implements EngineDriver {
    @Override
    public Target engine() {
        return Target.SQLITE;
    }

    @Override
    public String addressBeginning() {
        return "jdbc:sqlite:";
    }

    @Override
    public Optional<Path> file(String address) {
        String path = address.substring(addressBeginning().length()).replaceFirst("^file:", "")
                .replaceFirst("\\?.*$", "");
        return path.isEmpty() || path.contains(":memory:") ? Optional.empty() : Optional.of(Path.of(path));
    }

    /** SQLite documentation, sqlite3_open_v2: 2 is SQLITE_OPEN_READWRITE without SQLITE_OPEN_CREATE. */
    @Override
    public Map<String, String> limits(Duration connecting, Duration answering) {
        return Map.of("open_mode", "2");
    }
}
