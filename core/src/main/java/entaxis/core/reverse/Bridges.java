package entaxis.core.reverse;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Finds the tables that stand for a many-to-many: their key is made of the keys of two others, and nothing refers to
 * them (common practice).
 */
public final class Bridges {
    private Bridges() { }

    /** The labels of such tables, in their order. Linear in the foreign keys. */
    public static List<String> of(Schema schema) {
        Set<QualifiedName> referred = new HashSet<>();
        schema.tables().forEach(table -> table.foreignKeys().forEach(key -> referred.add(key.referenced())));
        return schema.tables().stream().filter(table -> !referred.contains(table.qualifiedName()) && isBridge(table))
                .map(Table::label).toList();
    }

    private static boolean isBridge(Table table) {
        if (table.foreignKeys().size() != 2 || !table.uniqueKeys().isEmpty()
                || !table.knownHierarchy().equals(Hierarchy.NONE)) {
            return false;
        }
        List<String> columns = new ArrayList<>();
        for (ForeignKey key : table.foreignKeys()) {
            columns.addAll(key.columns());
        }
        return columns.size() == new HashSet<>(columns).size()
                && new HashSet<>(table.keyColumns()).equals(new HashSet<>(columns))
                && columns.stream().allMatch(name ->
                table.column(name).filter(Column::required).isPresent());
    }
}
