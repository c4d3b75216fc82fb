package entaxis.core.sql;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Tables in an order in which each comes behind those that it refers to, as far as no cycle forbids it. Linear, without
 * recursion.
 */
public final class CreationOrder {
    private final Map<QualifiedName, Table> byName = new HashMap<>();
    private final List<Table> given;

    /** An order of these tables. */
    public CreationOrder(List<Table> tables) {
        this.given = tables;
        tables.forEach(table -> byName.put(table.qualifiedName(), table));
    }

    /** The tables, referred-to ones first; tables of a cycle stay in the order that they were given in. */
    public List<Table> tables() {
        Set<Table> done = new LinkedHashSet<>();
        Set<Table> open = new HashSet<>();
        for (Table start : given) {
            List<Table> path = new ArrayList<>(List.of(start));
            while (!path.isEmpty()) {
                Table table = path.getLast();
                open.add(table);
                Table next = null;
                for (ForeignKey key : table.foreignKeys()) {
                    Table parent = byName.get(key.referenced());
                    if (parent != null && !done.contains(parent) && !open.contains(parent)) {
                        next = parent;
                        break;
                    }
                }
                if (next == null) {
                    done.add(table);
                    path.removeLast();
                } else {
                    path.add(next);
                }
            }
        }
        return List.copyOf(done);
    }
}
