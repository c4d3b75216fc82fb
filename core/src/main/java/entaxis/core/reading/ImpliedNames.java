package entaxis.core.reading;

import entaxis.core.syntax.ImpliedName.Named;
import entaxis.core.syntax.ImpliedName;
import entaxis.core.syntax.ScriptSyntax;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The names that engines give to what a script leaves without one, so that later statements that speak of them are
 * understood. Engines that make up numbers leave it without a name here.
 */
final class ImpliedNames {
    private final ScriptSyntax syntax;
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
    private final Map<TableBuilder, Map<String, Integer>> counts = new HashMap<>();

    ImpliedNames(ScriptSyntax syntax) {
        this.syntax = syntax;
    }

    /** Takes note of a name that the script gives to something of a table; an empty one is none. */
    String given(TableBuilder table, String name) {
        if (!name.isEmpty() && syntax.impliedName(Named.INDEX) instanceof ImpliedName.Joined) {
            given.add(within(table, name));
        }
        return name;
    }

    /** Whether a name was made up here, rather than given by the script. */
    boolean isMadeUp(TableBuilder table, String name) {
        return madeUp.contains(within(table, name));
    }

    /** Whether a check is called after the column that its condition speaks of, rather than the one that it is at. */
    boolean namesChecksByCondition() {
        return syntax.impliedName(Named.CHECK) instanceof ImpliedName.Joined;
    }

    String sequence(TableBuilder table, String column) {
        return name(Named.SEQUENCE, table, List.of(column));
    }

    String primaryKey(TableBuilder table) {
        return name(Named.PRIMARY_KEY, table, List.of());
    }

    String unique(TableBuilder table, List<String> columns) {
        return name(Named.UNIQUE_KEY, table, columns);
    }

    String index(TableBuilder table, List<String> columns) {
        return name(Named.INDEX, table, columns);
    }

    String exclusion(TableBuilder table, List<String> columns) {
        return name(Named.EXCLUSION, table, columns);
    }

    String foreignKey(TableBuilder table, List<String> columns) {
        return name(Named.FOREIGN_KEY, table, columns);
    }

    String check(TableBuilder table, String column) {
        return name(Named.CHECK, table, column.isEmpty() ? List.of() : List.of(column));
    }

    /** The name of the rule of a domain. */
    String domainCheck(String domain) {
        return syntax.impliedName(Named.DOMAIN_CHECK) instanceof ImpliedName.Joined(String label, int max)
                ? cut(domain, "", label, max) : "";
    }

    private String name(Named what, TableBuilder table, List<String> columns) {
        return name(syntax.impliedName(what), table, columns);
    }

    private String name(ImpliedName rule, TableBuilder table, List<String> columns) {
        return switch (rule) {
            case ImpliedName.None() -> "";
            case ImpliedName.Fixed(String name) -> name;
            case ImpliedName.Joined(String label, int max) -> free(table, String.join("_", columns), label, max);
            case ImpliedName.FirstColumn() -> firstColumn(table, columns);
            case ImpliedName.Counted(boolean afterTable, String word) -> (afterTable ? table.name : "") + word
                    + counts.computeIfAbsent(table, any -> new HashMap<>()).merge(word, 1, Integer::sum);
            case ImpliedName.OwnColumn(ImpliedName otherwise) ->
                    columns.isEmpty() ? name(otherwise, table, columns) : columns.getFirst();
        };
    }

    private String firstColumn(TableBuilder table, List<String> columns) {
        return keyNames.computeIfAbsent(table, KeyNames::new).free(columns.getFirst());
    }

    /** A name in the schema of a table; the usual one is named or not. */
    private String within(TableBuilder table, String name) {
        return table.namespace.isEmpty() || table.namespace.equals(syntax.defaultSchema()) ? name
                : table.namespace + "\0" + name;
    }

    private String free(TableBuilder table, String columns, String label, int max) {
        taken.addAll(given);
        given.clear();
        List<String> base = List.of(table.namespace, table.name, columns, label);
        int number = numbers.getOrDefault(base, 0);
        String name = cut(table.name, columns, number == 0 ? label : label + number, max);
        while (!taken.add(within(table, name))) {
            number++;
            name = cut(table.name, columns, label + number, max);
        }
        numbers.put(base, number + 1);
        madeUp.add(within(table, name));
        return name;
    }

    /** Joins the three, the longer of the first two being cut until all fits. */
    private static String cut(String table, String columns, String label, int max) {
        int room = max - label.length() - 1 - (columns.isEmpty() ? 0 : 1);
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
