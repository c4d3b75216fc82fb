package entaxis.engines.connection;

import entaxis.core.targets.ByEngine;
import entaxis.core.targets.Target;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** How the JDBC driver that comes along for an engine is spoken to. Registered in {@code META-INF/services}. */
public interface EngineDriver {
    /** The engine. */
    Target engine();

    /** What the addresses of its databases begin with, in small letters. */
    String addressBeginning();

    /** An address as the driver that comes along takes it; a file is opened, never made. */
    default String address(String given) {
        return given;
    }

    /** The file that has to be there, for engines that are a file. */
    default Optional<Path> file(String address) {
        return Optional.empty();
    }

    /** What the driver is told about the longest that it may wait, in its own words and units. */
    default Map<String, String> limits(Duration connecting, Duration answering) {
        return Map.of();
    }

    /** Whether a product that names itself so is the engine. */
    default boolean isProduct(String name) {
        return name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", "").contains(engine().word());
    }

    /** The drivers of all engines that a database can be read from, in the order of the engines. */
    static List<EngineDriver> all() {
        return Registered.BY_ENGINE.all();
    }

    /** The driver of an engine; none for one that is no database. */
    static Optional<EngineDriver> of(Target engine) {
        return Registered.BY_ENGINE.find(engine);
    }

    /** The driver that takes an address. */
    static Optional<EngineDriver> ofAddress(String address) {
        return all().stream().filter(driver -> address.regionMatches(true, 0, driver.addressBeginning(), 0,
                driver.addressBeginning().length())).findFirst();
    }

    /** Loaded when a driver is first asked for. */
    final class Registered {
        private static final ByEngine<EngineDriver> BY_ENGINE =
                ByEngine.load(EngineDriver.class, EngineDriver::engine);

        private Registered() { }
    }
}
