package entaxis.core.dictionary.reading;

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

    /** A cell; empty beyond the end of a row. */
    String cell(int row, int column) {
        return column >= 0 && column < rows.get(row).size() ? rows.get(row).get(column).strip() : "";
    }
}
