package entaxis.core.sql;

import entaxis.core.derive.DerivedTable;
import entaxis.core.design.OwnerId;
import entaxis.core.design.SampleRow;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.sql.Script.Kind;
import entaxis.core.sql.Script.Statement;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Writes sample rows behind a script: tables that are referred to come first, so that no row refers to one that is not
 * there yet, as far as no cycle forbids it.
 */
public final class InsertStatements {
    private InsertStatements() { }

    /** The INSERT statements for rows, in an order in which an engine takes them. */
    public static List<Statement> of(Map<OwnerId, DerivedTable> tables, Iterable<SampleRow> rows, Dialect dialect) {
        Map<OwnerId, List<SampleRow>> byTable = new HashMap<>();
        rows.forEach(row -> byTable.computeIfAbsent(row.table(), any -> new ArrayList<>()).add(row));
        InsertWriter writer = new InsertWriter(dialect);
        List<Statement> statements = new ArrayList<>();
        Map<QualifiedName, DerivedTable> byName = new HashMap<>();
        tables.values().forEach(table -> byName.put(table.table().qualifiedName(), table));
        List<Table> all = tables.values().stream().map(DerivedTable::table).toList();
        for (Table ordered : new CreationOrder(all).tables()) {
            DerivedTable table = byName.get(ordered.qualifiedName());
            for (SampleRow row : byTable.getOrDefault(table.element(), List.of())) {
                statements.add(
                        Statement.of(Kind.ROWS, dialect.stored(ordered.qualifiedName()), writer.write(table, row)));
            }
        }
        return statements;
    }
}
