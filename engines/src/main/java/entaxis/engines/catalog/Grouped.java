package entaxis.engines.catalog;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** Keys and indexes while a catalog gives their columns one row each. */
public final class Grouped<T> {
    private final Map<List<String>, T> items = new LinkedHashMap<>();
    private final Set<List<String>> marked = new HashSet<>();

    /** What is done with one of them in the end. */
    public interface Use<T> {
        /** Takes an item of a table. */
        void use(String table, T item, boolean marked);
    }

    /** Makes it what it is with one row more. */
    public void put(String table, String name, Function<Optional<T>, T> more) {
        items.compute(List.of(table, name), (id, before) -> more.apply(Optional.ofNullable(before)));
    }

    /** Marks an item. */
    public void mark(String table, String name) {
        marked.add(List.of(table, name));
    }

    /** Hands over each item in order. */
    public void each(Use<T> use) {
        items.forEach((id, item) -> use.use(id.getFirst(), item, marked.contains(id)));
    }

    /** The parts so far and one more. */
    public static <P> List<P> more(Optional<List<P>> before, P part) {
        List<P> all = new ArrayList<>(before.orElse(List.of()));
        all.add(part);
        return all;
    }
}
