package entaxis.core.reconcile;

import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.CreationOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What is the same under two names or in two places.
 *
 * @param tables  the wanted name of each renamed table by its old one
 * @param columns the wanted name of each renamed column by its old one, by the wanted name of the table
 * @param splits  columns that moved into a new table
 */
public record RenameMap(Map<String, String> tables, Map<String, Map<String, String>> columns, List<Split> splits) {
    /** Nothing has two names. */
    public static final RenameMap NONE = new RenameMap(Map.of(), Map.of(), List.of());

    /** Copies the maps. */
    public RenameMap {
        tables = Map.copyOf(tables);
        Map<String, Map<String, String>> copied = new HashMap<>();
        columns.forEach((table, names) -> copied.put(table, Map.copyOf(names)));
        columns = Map.copyOf(copied);
        splits = List.copyOf(splits);
    }

    /** The wanted name of a table. */
    public String table(String from) {
        return tables.getOrDefault(from, from);
    }

    /** The wanted name of a column of a table that is wanted under this name. */
    public String column(String wantedTable, String from) {
        return columns.getOrDefault(wantedTable, Map.of()).getOrDefault(from, from);
    }

    /** Whether nothing has two names. */
    public boolean isEmpty() {
        return tables.isEmpty() && columns.values().stream().allMatch(Map::isEmpty);
    }

    /** This pairing with a renamed table. */
    public RenameMap withTable(String from, String to) {
        Map<String, String> more = new HashMap<>(tables);
        more.put(from, to);
        return new RenameMap(more, columns, splits);
    }

    /** This pairing with a renamed column of a table that is wanted under this name. */
    public RenameMap withColumn(String wantedTable, String from, String to) {
        Map<String, Map<String, String>> more = new HashMap<>(columns);
        Map<String, String> names = new HashMap<>(more.getOrDefault(wantedTable, Map.of()));
        names.put(from, to);
        more.put(wantedTable, names);
        return new RenameMap(tables, more, splits);
    }

    /** This pairing with the columns of tables that inherit a renamed one; linear in the schema. */
    public RenameMap withInherited(Schema from) {
        List<Table> heirs =
                from.tables().stream().filter(table -> !table.knownHierarchy().parents().isEmpty()).toList();
        RenameMap pairing = this;
        for (Table heir : heirs.isEmpty() || columns.isEmpty() ? heirs : new CreationOrder(heirs).parentsFirst()) {
            String wanted = table(heir.label());
            for (QualifiedName parent : heir.knownHierarchy().parents()) {
                Map<String, String> renamed = pairing.columns.getOrDefault(table(parent.label()), Map.of());
                Map<String, String> own = pairing.columns.getOrDefault(wanted, Map.of());
                for (Map.Entry<String, String> column : renamed.entrySet()) {
                    pairing = own.containsKey(column.getKey()) || heir.column(column.getKey()).isEmpty() ? pairing
                            : pairing.withColumn(wanted, column.getKey(), column.getValue());
                }
            }
        }
        return pairing;
    }

    /** This pairing with columns that moved into a new table. */
    public RenameMap withSplit(Split split) {
        List<Split> more = new ArrayList<>(splits);
        more.add(split);
        return new RenameMap(tables, columns, more);
    }

    /** Where a column of a table that is wanted under this name moved to, if it did. */
    public Optional<Split> moved(String wantedTable, String column) {
        return splits.stream().filter(split -> split.table().equals(wantedTable) && split.moved().contains(column))
                .findFirst();
    }

    /** The same seen from the other side; what moved does not move back by itself. */
    public RenameMap reversed() {
        Map<String, String> back = new HashMap<>();
        tables.forEach((from, to) -> back.put(to, from));
        Map<String, Map<String, String>> columnsBack = new HashMap<>();
        columns.forEach((table, names) -> {
            Map<String, String> namesBack = new HashMap<>();
            names.forEach((from, to) -> namesBack.put(to, from));
            columnsBack.put(back.getOrDefault(table, table), namesBack);
        });
        return new RenameMap(back, columnsBack, List.of());
    }
}
