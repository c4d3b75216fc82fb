package entaxis.exchange;

import java.lang.reflect.RecordComponent;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;

/** Finds a value that is not there in what was read of a file, where the model has none that may be missing. */
final class MissingValues {
    private MissingValues() { }

    /** The path to the first missing value of a record, depth first; none if all are there. Linear. */
    static Optional<String> path(Object value, String path) {
        return switch (value) {
            case null -> Optional.of(path);
            case Record holder -> ofRecord(holder, path);
            case Collection<?> items -> ofItems(items, path);
            case Map<?, ?> map ->
                    map.entrySet().stream().map(entry -> path(entry.getValue(), path + "." + entry.getKey()))
                            .flatMap(Optional::stream).findFirst();
            case Optional<?> maybe -> maybe.flatMap(inner -> path(inner, path));
            case Iterable<?> items -> ofItems(items, path);
            default -> Optional.empty();
        };
    }

    private static Optional<String> ofItems(Iterable<?> items, String path) {
        int index = 0;
        for (Object item : items) {
            Optional<String> missing = path(item, path + "[" + index++ + "]");
            if (missing.isPresent()) {
                return missing;
            }
        }
        return Optional.empty();
    }

    private static Optional<String> ofRecord(Record holder, String path) {
        for (RecordComponent component : holder.getClass().getRecordComponents()) {
            try {
                component.getAccessor().setAccessible(true);
                Optional<String> missing = path(component.getAccessor().invoke(holder),
                        path.isEmpty() ? component.getName() : path + "." + component.getName());
                if (missing.isPresent()) {
                    return missing;
                }
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException("a record hides " + component.getName(), e);
            }
        }
        return Optional.empty();
    }
}
