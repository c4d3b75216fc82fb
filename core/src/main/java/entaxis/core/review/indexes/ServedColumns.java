package entaxis.core.review.indexes;

import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Which columns of a table a key or an index can be searched by. */
public final class ServedColumns {
    private ServedColumns() { }

    /** The columns of each key and index, in their order. */
    public static List<List<String>> orders(Table table) {
        List<List<String>> orders = new ArrayList<>(List.of(table.keyColumns()));
        table.uniqueKeys().forEach(key -> orders.add(key.columns()));
        table.indexes()
                .forEach(index -> orders.add(index.columns().stream().map(TableIndex.IndexColumn::name).toList()));
        return orders;
    }

    /** Whether some key or index begins with the columns, in whatever order. */
    public static boolean served(Table table, List<String> columns) {
        return orders(table).stream().anyMatch(order -> order.size() >= columns.size()
                && Set.copyOf(order.subList(0, columns.size())).equals(Set.copyOf(columns)));
    }
}
