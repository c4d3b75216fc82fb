package entaxis.core.sql;

import entaxis.core.design.OwnerId;
import entaxis.core.design.SampleRow;
import entaxis.core.schema.Table;
import entaxis.core.sql.Script.Kind;
import entaxis.core.sql.Script.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Writes sample rows behind a script: tables that are referred to come first, so that no row refers to one that is not
 * there yet, as far as no cycle forbids it.
 */
public final class InsertStatements {
    private InsertStatements() { }

    /** The INSERT statements for rows, in an order in which an engine takes them. */
    public static List<Statement> of(Map<OwnerId, Table> tables, Iterable<SampleRow> rows, Dialect dialect) {
        Map<OwnerId, List<SampleRow>> byTable = new HashMap<>();
        rows.forEach(row -> byTable.computeIfAbsent(row.table(), any -> new ArrayList<>()).add(row));
        InsertWriter writer = new InsertWriter(dialect);
        List<Statement> statements = new ArrayList<>();
        for (Table table : new CreationOrder(List.copyOf(tables.values())).tables()) {
            for (SampleRow row : table.origin().map(byTable::get).map(List::copyOf).orElse(List.of())) {
                statements.add(
                        new Statement(Kind.ROWS, Optional.of(table.origin().orElseThrow()), writer.write(table, row)));
            }
        }
        return statements;
    }
}
