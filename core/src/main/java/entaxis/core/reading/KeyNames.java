package entaxis.core.reading;

import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The names of a table's unique keys and indexes as MySQL makes them up: the first column's, with a number from 2
 * where that is taken (MySQL manual, CREATE TABLE).
 */
final class KeyNames {
    private final TableBuilder table;
    private Set<String> taken = new HashSet<>();
    private final Map<String, Integer> numbers = new HashMap<>();
    private int keys = -1;
    private int indexes = -1;
    private int renames = -1;
    private Optional<UniqueKey> lastKey = Optional.empty();
    private Optional<TableIndex> lastIndex = Optional.empty();

    KeyNames(TableBuilder table) {
        this.table = table;
    }

    /** A free name; constant time, but where keys were dropped, renamed or named by the script since the last one. */
    String free(String column) {
        look();
        String base = column.toLowerCase(Locale.ROOT);
        int number = numbers.getOrDefault(base, 1);
        String name = number == 1 ? column : column + "_" + number;
        while (taken.contains(name.toLowerCase(Locale.ROOT))) {
            number++;
            name = column + "_" + number;
        }
        numbers.put(base, number);
        return name;
    }

    /** Takes note of what was added; looks at all again where something else was done. */
    private void look() {
        int addedKeys = table.uniqueKeys.size() - keys;
        int addedIndexes = table.indexes.size() - indexes;
        boolean onlyAdded = renames == table.indexRenames && addedKeys >= 0 && addedIndexes >= 0
                && (keys <= 0 || table.uniqueKeys.get(keys - 1) == lastKey.orElseThrow())
                && (indexes <= 0 || table.indexes.get(indexes - 1) == lastIndex.orElseThrow());
        if (!onlyAdded) {
            taken = new HashSet<>();
            numbers.clear();
        }
        table.uniqueKeys.subList(onlyAdded ? Math.max(0, keys) : 0, table.uniqueKeys.size())
                .forEach(key -> taken.add(key.name().toLowerCase(Locale.ROOT)));
        table.indexes.subList(onlyAdded ? Math.max(0, indexes) : 0, table.indexes.size())
                .forEach(index -> taken.add(index.name().toLowerCase(Locale.ROOT)));
        keys = table.uniqueKeys.size();
        indexes = table.indexes.size();
        renames = table.indexRenames;
        lastKey = keys == 0 ? Optional.empty() : Optional.of(table.uniqueKeys.getLast());
        lastIndex = indexes == 0 ? Optional.empty() : Optional.of(table.indexes.getLast());
    }
}
