package entaxis.core.reconcile;

import entaxis.core.sql.Dialect;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Columns that the wanted side has in one table and the other side in a table of their own: their values come back with
 * them.
 *
 * @param table   the wanted name of the table that gets them again
 * @param from    the table that has them now, which the wanted side does not have
 * @param columns for each column that comes back, the one that it comes from
 * @param links   for each column of the other table by which rows are found, the one of the table that it equals, both
 *                as they are named when columns are added
 * @param reasons what speaks for it, in words
 */
public record MergedTable(String table, String from, Map<String, String> columns, Map<String, String> links,
        List<String> reasons) implements MatchSuggestion {
    /** Copies the collections. */
    public MergedTable {
        columns = Map.copyOf(columns);
        links = Map.copyOf(links);
        reasons = List.copyOf(reasons);
    }

    @Override
    public String key() {
        return "JOIN|" + table + "|" + from;
    }

    @Override
    public String was() {
        return from + ": " + columns.values().stream().sorted().collect(Collectors.joining(", "));
    }

    @Override
    public String became() {
        return "may have come out of";
    }

    @Override
    public String now() {
        return table;
    }

    @Override
    public boolean likely() {
        return columns.size() > 1;
    }

    /** The tables and columns are still two; only where values come from is told, by {@link #fills}. */
    @Override
    public RenameMap into(RenameMap pairing) {
        return pairing;
    }

    /**
     * For each column that comes back, as {@code table.column}, the expression that finds its value in the other table.
     */
    public Map<String, String> fills(Dialect dialect) {
        String rows = links.entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(link -> "own." + dialect.name(link.getKey()) + " = " + dialect.name(table) + "."
                        + dialect.name(link.getValue()))
                .collect(Collectors.joining(" AND "));
        Map<String, String> fills = new HashMap<>();
        columns.forEach((column, source) -> fills.put(table + "." + column,
                "(SELECT own." + dialect.name(source) + " FROM " + dialect.name(from) + " own WHERE " + rows + ")"));
        return fills;
    }
}
