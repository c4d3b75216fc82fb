package entaxis.core.reading;

import entaxis.core.design.Target;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The names that engines give to what a script leaves without one, so that later statements that speak of them are
 * understood: PostgreSQL manual, CREATE TABLE and CREATE INDEX, with the source's rule for cutting long ones; MySQL
 * manual, CREATE TABLE. Other engines make up numbers; what they name stays without a name.
 */
final class ImpliedNames {
    private static final int POSTGRESQL_LONGEST = 63;
    private final Target engine;
    /** Names that were given, until one has to be made up and they are looked at. */
    private final List<String> given = new ArrayList<>();
    private final Set<String> taken = new HashSet<>();
    private final Set<String> madeUp = new HashSet<>();
    /**
     * The number that is tried next for a name made of these words; those before are taken, and names that were taken
     * stay so.
     */
    private final Map<List<String>, Integer> numbers = new HashMap<>();
    private final Map<TableBuilder, KeyNames> keyNames = new HashMap<>();
    private final Map<TableBuilder, Integer> references = new HashMap<>();
    private final Map<TableBuilder, Integer> conditions = new HashMap<>();

    ImpliedNames(Target engine) {
        this.engine = engine;
    }

    private boolean mySql() {
        return engine == Target.MYSQL || engine == Target.MARIADB;
    }

    /** Takes note of a name that was given to something of a table. */
    String given(TableBuilder table, String name) {
        if (engine == Target.POSTGRESQL) {
            given.add(within(table, name));
        }
        return name;
    }

    /** Whether a name was made up here, rather than given by the script. */
    boolean isMadeUp(TableBuilder table, String name) {
        return madeUp.contains(within(table, name));
    }

    String sequence(TableBuilder table, String column) {
        return free(table, column, "seq");
    }

    String primaryKey(TableBuilder table) {
        return engine == Target.POSTGRESQL ? free(table, "", "pkey") : mySql() ? "PRIMARY" : "";
    }

    String unique(TableBuilder table, List<String> columns) {
        return engine == Target.POSTGRESQL ? free(table, String.join("_", columns), "key")
                : mySql() ? firstColumn(table, columns) : "";
    }

    String index(TableBuilder table, List<String> columns) {
        return engine == Target.POSTGRESQL ? free(table, String.join("_", columns), "idx")
                : mySql() ? firstColumn(table, columns) : "";
    }

    String exclusion(TableBuilder table, List<String> columns) {
        return free(table, String.join("_", columns), "excl");
    }

    String foreignKey(TableBuilder table, List<String> columns) {
        return engine == Target.POSTGRESQL ? free(table, String.join("_", columns), "fkey")
                : mySql() ? table.name + "_ibfk_" + references.merge(table, 1, Integer::sum) : "";
    }

    String check(TableBuilder table, String column) {
        return switch (engine) {
            case POSTGRESQL -> free(table, column, "check");
            case MYSQL -> table.name + "_chk_" + conditions.merge(table, 1, Integer::sum);
            case MARIADB -> column.isEmpty() ? "CONSTRAINT_" + conditions.merge(table, 1, Integer::sum) : column;
            default -> "";
        };
    }

    private String firstColumn(TableBuilder table, List<String> columns) {
        return keyNames.computeIfAbsent(table, KeyNames::new).free(columns.getFirst());
    }

    /** A name in the schema of a table; the usual one is named or not. */
    private static String within(TableBuilder table, String name) {
        return table.namespace.isEmpty() || table.namespace.equals("public") ? name : table.namespace + "\0" + name;
    }

    private String free(TableBuilder table, String columns, String label) {
        taken.addAll(given);
        given.clear();
        List<String> base = List.of(table.namespace, table.name, columns, label);
        int number = numbers.getOrDefault(base, 0);
        String name = cut(table.name, columns, number == 0 ? label : label + number);
        while (!taken.add(within(table, name))) {
            number++;
            name = cut(table.name, columns, label + number);
        }
        numbers.put(base, number + 1);
        madeUp.add(within(table, name));
        return name;
    }

    /** Joins the three, the longer of the first two being cut until all fits. */
    private static String cut(String table, String columns, String label) {
        int room = POSTGRESQL_LONGEST - label.length() - 1 - (columns.isEmpty() ? 0 : 1);
        String first = table;
        String second = columns;
        while (bytes(first) + bytes(second) > room) {
            if (bytes(first) > bytes(second)) {
                first = first.substring(0, first.offsetByCodePoints(first.length(), -1));
            } else {
                second = second.substring(0, second.offsetByCodePoints(second.length(), -1));
            }
        }
        return first + (second.isEmpty() ? "" : "_" + second) + "_" + label;
    }

    private static int bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8).length;
    }
}
