package entaxis.core.schema;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * A primary key constraint.
 *
 * @param columns  in rank order
 * @param prefixes of columns of which only the beginning counts, how many signs or bytes do (MySQL manual, “Column
 *                 Prefix Key Parts”)
 */
public record PrimaryKey(String name, List<String> columns, Map<String, Integer> prefixes) implements TablePart {
    /** Copies the columns. */
    public PrimaryKey {
        columns = List.copyOf(columns);
        prefixes = Map.copyOf(prefixes);
    }

    /** A key over whole columns. */
    public PrimaryKey(String name, List<String> columns) {
        this(name, columns, Map.of());
    }

    /** The key with another name. */
    public PrimaryKey named(String newName) {
        return new PrimaryKey(newName, columns, prefixes);
    }

    /** The key with other names of its columns. */
    public PrimaryKey renamed(UnaryOperator<String> names) {
        Map<String, Integer> lengths = new HashMap<>();
        prefixes.forEach((column, length) -> lengths.put(names.apply(column), length));
        return new PrimaryKey(name, columns.stream().map(names).toList(), lengths);
    }

    /** The key over whole columns, for engines that have no others. */
    public PrimaryKey withoutPrefixes() {
        return new PrimaryKey(name, columns);
    }
}
