package entaxis.core.dependency;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Rows of a relation, told apart only by equality.
 *
 * @param values one list of values for each row, in the order of the columns
 */
public record Rows(List<String> columns, List<List<String>> values, int[][] codes) {
    /** Most columns that can be looked through. */
    public static final int MAX_COLUMNS = 62;

    /** Rows by their values; an empty text is a value like any other. Refuses rows of another length. */
    public static Rows of(List<String> columns, List<List<String>> values) {
        int[][] codes = new int[columns.size()][values.size()];
        for (int column = 0; column < codes.length; column++) {
            Map<String, Integer> known = new HashMap<>();
            for (int row = 0; row < values.size(); row++) {
                if (values.get(row).size() != columns.size()) {
                    throw new IllegalArgumentException("row " + (row + 1) + " has " + values.get(row).size()
                            + " values for " + columns.size() + " columns");
                }
                codes[column][row] = known.computeIfAbsent(values.get(row).get(column), any -> known.size());
            }
        }
        return new Rows(List.copyOf(columns), List.copyOf(values), codes);
    }

    /** How many rows there are. */
    public int size() {
        return values.size();
    }

    /** A value. */
    public String value(int row, int column) {
        return values.get(row).get(column);
    }

    /** What a row holds in some columns, as one key to group by. */
    List<Integer> key(int row, int[] places) {
        List<Integer> key = new ArrayList<>(places.length);
        for (int place : places) {
            key.add(codes[place][row]);
        }
        return key;
    }

    /** Rows that agree in some columns, in order of their first rows; single rows too. */
    public List<List<Integer>> groups(AttributeSet set) {
        int[] places = set.places();
        Map<List<Integer>, List<Integer>> groups = new LinkedHashMap<>();
        for (int row = 0; row < size(); row++) {
            groups.computeIfAbsent(key(row, places), any -> new ArrayList<>()).add(row);
        }
        return List.copyOf(groups.values());
    }

    /** What a row says in some columns. */
    public String text(int row, AttributeSet set) {
        return set.members().stream().map(column -> value(row, column)).collect(Collectors.joining(", "));
    }

    /** The different rows over some columns only. */
    public Set<List<String>> projected(AttributeSet set) {
        int[] places = set.places();
        Set<List<String>> projected = new HashSet<>();
        for (List<String> row : values) {
            List<String> part = new ArrayList<>(places.length);
            for (int place : places) {
                part.add(row.get(place));
            }
            projected.add(part);
        }
        return projected;
    }
}
