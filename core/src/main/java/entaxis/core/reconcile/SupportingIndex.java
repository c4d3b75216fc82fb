package entaxis.core.reconcile;

import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import java.util.List;

/** Indexes that an engine makes by itself for a reference (MySQL manual, “FOREIGN KEY Constraints”). */
public final class SupportingIndex {
    private SupportingIndex() { }

    /**
     * Whether an index may be there for a reference only: it has the columns of one, refuses nothing and is of the
     * usual kind.
     */
    public static boolean isHelping(TableIndex index, Table table) {
        boolean plain = !index.unique() && index.method().isEmpty() && index.predicate().isEmpty() && index.columns()
                .stream().noneMatch(part -> part.expression() || part.descending() || part.prefix().isPresent());
        List<String> columns = index.columns().stream().map(IndexColumn::name).toList();
        return plain && table.foreignKeys().stream().anyMatch(key -> key.columns().equals(columns));
    }
}
