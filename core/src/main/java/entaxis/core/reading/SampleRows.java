package entaxis.core.reading;

import entaxis.core.statement.InsertRows;
import entaxis.core.statement.ScriptStatement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The first rows that a script puts into each table. */
final class SampleRows {
    private final SchemaBuilder builder;
    private final ReadingLog log;
    private final List<ReadRow> rows = new ArrayList<>();
    private final Map<String, Integer> counts = new HashMap<>();

    SampleRows(SchemaBuilder builder, ReadingLog log) {
        this.builder = builder;
        this.log = log;
    }

    /** Keeps rows that fit the columns of their table; false where the table is not known. */
    boolean insert(InsertRows inserted, ScriptStatement statement) {
        Optional<TableBuilder> table = builder.table(inserted.table());
        table.filter(own -> !inserted.rows().isEmpty()).ifPresent(own -> keep(own, inserted));
        boolean understood = table.isEmpty() || statement.error().isEmpty();
        if (understood) {
            log.steppedOver(statement.start(), "rows");
        }
        return !understood;
    }

    private void keep(TableBuilder table, InsertRows inserted) {
        String key = builder.key(inserted.table());
        List<String> columns = inserted.columns().isEmpty()
                ? table.columns.stream().map(column -> column.name).toList() : inserted.columns();
        int count = counts.getOrDefault(key, 0);
        for (List<String> row : inserted.rows()) {
            if (row.size() == columns.size() && count < InsertRows.MAX_ROWS) {
                rows.add(new ReadRow(table.namespace, table.name, columns, row));
                count++;
            }
        }
        counts.put(key, count);
    }

    /** All rows that are kept, in the order of the script. */
    List<ReadRow> rows() {
        return rows;
    }
}
