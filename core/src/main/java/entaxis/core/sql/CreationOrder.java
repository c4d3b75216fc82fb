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
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Tables in an order in which each comes behind those that it inherits from and those that it refers to, these as far
 * as no cycle forbids it. Linear, without recursion.
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
        return parentsFirst(ordered(given, table -> Stream.concat(table.knownHierarchy().parents().stream(),
                table.foreignKeys().stream().map(ForeignKey::referenced)).toList()));
    }

    /** The tables in their order, but each behind those that it inherits from. */
    public List<Table> parentsFirst() {
        return parentsFirst(given);
    }

    /** The tables in an order in which they can be dropped: each before those that it inherits from. */
    public List<Table> heirsFirst() {
        List<Table> ordered = parentsFirst(given);
        return ordered == given ? given : ordered.reversed();
    }

    private List<Table> parentsFirst(List<Table> tables) {
        return tables.stream().allMatch(table -> table.knownHierarchy().parents().isEmpty()) ? tables
                : ordered(tables, table -> table.knownHierarchy().parents());
    }

    private List<Table> ordered(List<Table> tables, Function<Table, List<QualifiedName>> before) {
        Set<Table> done = new LinkedHashSet<>();
        Set<Table> open = new HashSet<>();
        for (Table start : tables) {
            List<Table> path = new ArrayList<>(List.of(start));
            while (!path.isEmpty()) {
                Table table = path.getLast();
                open.add(table);
                Table next = null;
                for (QualifiedName name : before.apply(table)) {
                    Table parent = byName.get(name);
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
