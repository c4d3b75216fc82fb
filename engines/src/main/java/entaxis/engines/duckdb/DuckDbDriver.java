package entaxis.engines.duckdb;

import entaxis.core.targets.Target;
import entaxis.engines.connection.EngineDriver;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;

/** How the driver of DuckDB is spoken to, which runs the engine inside this process. */
public final class DuckDbDriver implements EngineDriver {
    private static final String MEMORY = ":memory:";

    @Override
    public Target engine() {
        return Target.DUCKDB;
    }

    @Override
    public String addressBeginning() {
        return "jdbc:duckdb:";
    }

    @Override
    public Optional<Path> file(String address) {
        String path = address.substring(addressBeginning().length()).replaceFirst(";.*$", "");
        return path.isEmpty() || path.startsWith(MEMORY) ? Optional.empty() : Optional.of(Path.of(path));
    }

    /** DuckDB documentation, “Securing DuckDB”: nothing in a database reaches other files; no extension is fetched. */
    @Override
    public Map<String, String> limits(Duration connecting, Duration answering) {
        return Map.of("enable_external_access", "false", "autoinstall_known_extensions", "false",
                "autoload_known_extensions", "false");
    }
}
