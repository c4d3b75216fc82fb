package entaxis.core.targets;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What {@code META-INF/services} registers for each engine; who asks need not change for one more. Immutable.
 */
public final class ByEngine<T> {
    private final String what;
    private final Map<Target, T> services;

    private ByEngine(String what, Map<Target, T> services) {
        this.what = what;
        this.services = services;
    }

    /** Loads all services of a type, each for the engine that it names. */
    public static <T> ByEngine<T> load(Class<T> type, Function<T, Target> engine) {
        return new ByEngine<>(type.getSimpleName(), ServiceLoader.load(type, type.getClassLoader()).stream()
                .map(ServiceLoader.Provider::get).collect(Collectors.toUnmodifiableMap(engine, Function.identity())));
    }

    /**
     * The service of an engine.
     *
     * @throws IllegalArgumentException if none is registered for it
     */
    public T get(Target engine) {
        return find(engine).orElseThrow(
                () -> new IllegalArgumentException("no " + what + " is registered for " + engine.title()));
    }

    /** The service of an engine, if there is one. */
    public Optional<T> find(Target engine) {
        return Optional.ofNullable(services.get(engine));
    }

    /** All of them, in the order of the engines. */
    public List<T> all() {
        return services.entrySet().stream().sorted(Comparator.comparing(Map.Entry::getKey)).map(Map.Entry::getValue)
                .toList();
    }
}
