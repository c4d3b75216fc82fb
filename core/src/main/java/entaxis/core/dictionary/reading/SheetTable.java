package entaxis.core.dictionary.reading;

import entaxis.core.dictionary.Dictionary.TypeEntry;
import java.util.List;

/**
 * A sheet of a workbook, or a CSV file, as texts.
 *
 * @param rows its rows from the first; rows may be of different lengths
 */
public record SheetTable(String name, List<List<String>> rows) {
    /** Copies the rows. */
    public SheetTable {
        rows = rows.stream().map(List::copyOf).toList();
    }

    /** The table and, as a table of its own, the types that may stand below it, as a single list has them. */
    public List<SheetTable> withTypesApart() {
        for (int row = 1; row < rows.size(); row++) {
            if (headsTypes(row)) {
                return List.of(new SheetTable(name, rows.subList(0, row)),
                        new SheetTable(name + " (types)", rows.subList(row, rows.size())));
            }
        }
        return List.of(this);
    }

    /** Whether a row has the headings of a table of types. */
    boolean headsTypes(int row) {
        return rows.get(row).stream().limit(TypeEntry.HEADINGS.size()).toList().equals(TypeEntry.HEADINGS);
    }

    /** A cell; empty beyond the end of a row. */
    String cell(int row, int column) {
        return column >= 0 && column < rows.get(row).size() ? rows.get(row).get(column).strip() : "";
    }
}
