package entaxis.web.store;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.function.Predicate;

/** The values that were worked out last, by name; only a few are kept. Safe for use by several threads. */
public final class Recent<V> {
    private static final int MAX_COUNT = 8;

    /** Evicts at once rather than later on another thread, so that what is kept has a bound at every moment. */
    private final Cache<String, V> values =
            Caffeine.newBuilder().maximumSize(MAX_COUNT).executor(Runnable::run).build();

    /** The value of a name, if one is kept that still holds. */
    public Optional<V> get(String name, Predicate<V> holds) {
        return Optional.ofNullable(values.getIfPresent(name)).filter(holds);
    }

    /** Keeps a value under a name, in the place of an older one, and gives it back. */
    public V keep(String name, V value) {
        values.put(name, value);
        return value;
    }
}
