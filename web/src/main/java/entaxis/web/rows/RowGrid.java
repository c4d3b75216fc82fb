package entaxis.web.rows;

import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import entaxis.core.design.SampleRow;
import entaxis.core.review.About;
import entaxis.core.review.Finding;
import entaxis.core.review.Review;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The sample rows of a table, to be corrected cell by cell.
 *
 * @param more how many are not shown
 */
public record RowGrid(String owner, String table, List<String> columns, List<Row> rows, int more) {
    private static final int MAX_COUNT = 200;

    /** A row with what the rules say of it. */
    public record Row(String id, int number, List<Cell> cells, List<String> notes) { }

    /**
     * A cell.
     *
     * @param path the column, as a row keeps it
     */
    public record Cell(String path, String column, String value) { }

    /** What the rules say of rows, by their ids. */
    public Map<String, List<String>> notes() {
        Map<String, List<String>> notes = new HashMap<>();
        rows.stream().filter(row -> !row.notes().isEmpty()).forEach(row -> notes.put(row.id(), row.notes()));
        return notes;
    }

    /** The rows of a table. */
    public static RowGrid of(Design design, DerivedTable table, OwnerId owner, Review review) {
        Map<String, List<String>> notes = new HashMap<>();
        for (Finding finding : review.findings()) {
            for (About about : finding.about()) {
                if (about.kind() == About.Kind.ROW && about.id().equals(owner.value())) {
                    notes.computeIfAbsent(about.name(), any -> new ArrayList<>()).add(finding.sentence());
                }
            }
        }
        List<SampleRow> all = design.rows().stream().filter(row -> row.table().equals(owner)).toList();
        List<DerivedColumn> columns = table.columns();
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < all.size() && i < MAX_COUNT; i++) {
            SampleRow row = all.get(i);
            List<Cell> cells = columns.stream().map(column -> cell(column, row)).toList();
            rows.add(new Row(row.id().value(), i + 1, cells,
                    notes.getOrDefault(table.name() + " row " + (i + 1), List.of())));
        }
        return new RowGrid(owner.value(), table.name(), columns.stream().map(DerivedColumn::name).toList(), rows,
                all.size() - rows.size());
    }

    private static Cell cell(DerivedColumn column, SampleRow row) {
        ColumnPath path = column.path();
        return new Cell(path.toString(), column.name(), row.values().getOrDefault(path, ""));
    }
}
