package entaxis.web.store;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** The values that were worked out last, by name; only a few are kept. Safe for use by several threads. */
public final class Recent<V> {
    private static final int MAX_COUNT = 8;

    private final Map<String, V> values = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, V> eldest) {
            return size() > MAX_COUNT;
        }
    };

    /** The value of a name, if one is kept that still holds. */
    public synchronized Optional<V> get(String name, Predicate<V> holds) {
        return Optional.ofNullable(values.get(name)).filter(holds);
    }

    /** Keeps a value under a name, in the place of an older one, and gives it back. */
    public synchronized V keep(String name, V value) {
        values.put(name, value);
        return value;
    }
}
