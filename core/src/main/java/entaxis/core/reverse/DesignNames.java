package entaxis.core.reverse;

import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * What the tables of a schema are called in a design, which knows no schemas of a database: a second table of one name
 * takes the name of its schema in front.
 */
final class DesignNames {
    private final Map<QualifiedName, String> names = new LinkedHashMap<>();

    private DesignNames() { }

    /** The names for the tables of a schema; linear. */
    static DesignNames of(Schema schema) {
        DesignNames all = new DesignNames();
        Set<String> taken = new HashSet<>();
        List<Table> tables = schema.tables();
        tables.forEach(table -> taken.add(small(table.name())));
        Set<String> first = new HashSet<>();
        for (Table table : tables) {
            if (first.add(small(table.name()))) {
                all.names.put(table.qualifiedName(), table.name());
                continue;
            }
            String wanted = table.namespace().isEmpty() ? table.name() : table.namespace() + "_" + table.name();
            String name = wanted;
            for (int number = 2; !taken.add(small(name)); number++) {
                name = wanted + "_" + number;
            }
            all.names.put(table.qualifiedName(), name);
        }
        return all;
    }

    private static String small(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    /** The name of a table of the schema. */
    String of(Table table) {
        return names.getOrDefault(table.qualifiedName(), table.name());
    }

    /** Whether a table could not keep its name. */
    boolean renames(Table table) {
        return !of(table).equals(table.name());
    }
}
