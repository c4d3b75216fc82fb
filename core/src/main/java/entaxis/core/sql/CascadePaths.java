package entaxis.core.sql;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * SQL Server refuses actions that could reach a table by two ways or come back to it (SQL Server documentation,
 * “Primary and foreign key constraints”, cascading referential integrity). Actions are taken in order; one that would
 * open a second way is replaced by a refusal, and said.
 */
public final class CascadePaths {
    private final Map<QualifiedName, List<QualifiedName>> reaches = new HashMap<>();
    private final Map<QualifiedName, List<QualifiedName>> reachedFrom = new HashMap<>();

    private CascadePaths() { }

    /** The references whose actions the engine does not take. Each action looks at the tables that it connects. */
    public static Set<ForeignKey> refused(List<Table> tables) {
        CascadePaths paths = new CascadePaths();
        Set<ForeignKey> refused = Collections.newSetFromMap(new IdentityHashMap<>());
        for (Table table : tables) {
            for (ForeignKey key : table.foreignKeys()) {
                boolean acts =
                        key.onDelete() != ReferentialAction.NO_ACTION || key.onUpdate() != ReferentialAction.NO_ACTION;
                if (acts && !paths.open(key.referenced(), table.qualifiedName())) {
                    refused.add(key);
                }
            }
        }
        return refused;
    }

    /** The tables with only those actions left that the engine takes. */
    static List<Table> cut(List<Table> tables, Dialect dialect, List<AdaptationNote> findings) {
        if (!dialect.refusesSecondCascade()) {
            return tables;
        }
        Set<ForeignKey> refused = refused(tables);
        List<Table> cut = new ArrayList<>(tables.size());
        for (Table table : tables) {
            List<ForeignKey> keys = new ArrayList<>();
            for (ForeignKey key : table.foreignKeys()) {
                if (refused.contains(key)) {
                    findings.add(new AdaptationNote(AdaptationNote.Kind.LOST, table.label(), key.name(),
                            "a second way of carrying changes along from " + key.referencedTable()
                                    + " is not possible; here it is refused instead"));
                }
                keys.add(refused.contains(key)
                        ? key.withActions(ReferentialAction.NO_ACTION, ReferentialAction.NO_ACTION) : key);
            }
            cut.add(table.referring(keys));
        }
        return cut;
    }

    /**
     * Opens a way from a table to one that refers to it, unless some table would then be reached twice from another.
     */
    private boolean open(QualifiedName from, QualifiedName to) {
        Set<QualifiedName> above = all(Set.of(from), reachedFrom);
        Set<QualifiedName> leadingThere = all(all(Set.of(to), reaches), reachedFrom);
        if (leadingThere.stream().anyMatch(above::contains)) {
            return false;
        }
        reaches.computeIfAbsent(from, any -> new ArrayList<>()).add(to);
        reachedFrom.computeIfAbsent(to, any -> new ArrayList<>()).add(from);
        return true;
    }

    /** Some tables and all that are reached from them. */
    private static Set<QualifiedName> all(Set<QualifiedName> start, Map<QualifiedName, List<QualifiedName>> steps) {
        Set<QualifiedName> seen = new HashSet<>(start);
        List<QualifiedName> open = new ArrayList<>(start);
        while (!open.isEmpty()) {
            for (QualifiedName next : steps.getOrDefault(open.removeLast(), List.of())) {
                if (seen.add(next)) {
                    open.add(next);
                }
            }
        }
        return seen;
    }
}
