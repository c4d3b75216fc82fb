package entaxis.core.review.indexes;

import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import java.util.ArrayList;
import java.util.List;

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

    /** Whether one of the orders of a table begins with the columns, in whatever order. */
    public static boolean served(List<List<String>> orders, List<String> columns) {
        return orders.stream().anyMatch(order -> order.size() >= columns.size()
                && order.subList(0, columns.size()).containsAll(columns));
    }
}
