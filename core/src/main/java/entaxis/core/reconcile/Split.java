package entaxis.core.reconcile;

import java.util.List;
import java.util.Map;

/**
 * Columns that may have moved out of a table into a new one, with their values.
 *
 * @param table   the wanted name of the table that they leave
 * @param into    the new table
 * @param moved   the columns that leave
 * @param columns for each column of the new table that gets values, the column of the old one that they come from, in
 *                wanted names
 * @param once    columns of the new table by which equal rows of the old one become one row; none if each row has one
 *                of its own
 * @param reasons what speaks for it, in words
 */
public record Split(String table, String into, List<String> moved, Map<String, String> columns, List<String> once,
        List<String> reasons) implements MatchSuggestion {
    /** Copies the collections. */
    public Split {
        moved = List.copyOf(moved);
        columns = Map.copyOf(columns);
        once = List.copyOf(once);
        reasons = List.copyOf(reasons);
    }

    @Override
    public String key() {
        return "SPLIT|" + table + "|" + into;
    }

    @Override
    public String was() {
        return table + ": " + String.join(", ", moved);
    }

    @Override
    public String became() {
        return "may have moved to";
    }

    @Override
    public String now() {
        return into;
    }

    @Override
    public boolean likely() {
        return moved.size() > 1;
    }

    @Override
    public RenameMap into(RenameMap pairing) {
        return pairing.withSplit(this);
    }
}
