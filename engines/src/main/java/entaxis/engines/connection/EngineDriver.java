package entaxis.engines.connection;

import entaxis.core.design.Target;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;

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
        return Drivers.ALL;
    }

    /** The driver of an engine; none for one that is no database. */
    static Optional<EngineDriver> of(Target engine) {
        return Drivers.ALL.stream().filter(driver -> driver.engine() == engine).findFirst();
    }

    /** The driver that takes an address. */
    static Optional<EngineDriver> ofAddress(String address) {
        return Drivers.ALL.stream().filter(driver -> address.regionMatches(true, 0, driver.addressBeginning(), 0,
                driver.addressBeginning().length())).findFirst();
    }

    /** The registered drivers. */
    final class Drivers {
        private static final List<EngineDriver> ALL =
                ServiceLoader.load(EngineDriver.class, EngineDriver.class.getClassLoader()).stream()
                        .map(ServiceLoader.Provider::get)
                        .sorted(Comparator.comparing(driver -> Arrays.asList(Target.values()).indexOf(driver.engine())))
                        .toList();

        private Drivers() { }
    }
}
