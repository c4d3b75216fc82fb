package entaxis.core.sql;

import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.List;

/** Unique indexes that are unique keys. */
final class UniqueIndexes {
    private UniqueIndexes() { }

    /** The table with its unique indexes as keys, which some engines do not tell apart. */
    static Table asKeys(Table table) {
        List<UniqueKey> keys = new ArrayList<>(table.uniqueKeys());
        List<TableIndex> indexes = new ArrayList<>();
        for (TableIndex index : table.indexes()) {
            boolean key = index.unique() && index.predicate().isEmpty() && index.columns().stream()
                    .noneMatch(part -> part.expression() || part.descending() || part.prefix().isPresent());
            if (key) {
                keys.add(new UniqueKey(index.name(), index.columns().stream().map(IndexColumn::name).toList()));
            } else {
                indexes.add(index);
            }
        }
        return table.withKeys(table.primaryKey(), keys).withIndexes(indexes);
    }
}
