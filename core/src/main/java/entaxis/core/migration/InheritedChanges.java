package entaxis.core.migration;

import entaxis.core.reconcile.ComparableTables;
import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.HierarchyRules;
import entaxis.core.schema.Column;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.sql.CreationOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What changes of tables do to those that inherit from them: a column that comes or goes, its type, default and rule
 * against null, are handed down, also to a column that said something else (PostgreSQL manual, ALTER TABLE).
 */
final class InheritedChanges {
    private final EngineWordingRules words;
    private final Map<QualifiedName, Table> before;
    private final Map<QualifiedName, Table> after;
    /** Columns that an ancestor's change reaches, by table. */
    private final Map<QualifiedName, Set<String>> reached = new HashMap<>();

    private InheritedChanges(Map<QualifiedName, Table> before, Map<QualifiedName, Table> after,
            EngineWordingRules words) {
        this.before = before;
        this.after = after;
        this.words = words;
    }

    /**
     * The tables that are there as the changes of their parents leave them. Linear in the columns.
     *
     * @param tables what changes
     * @param before the tables that are there, with what they inherit, under the wanted names
     */
    static List<Table> applied(ComparableTables tables, List<Table> before, EngineWordingRules words) {
        List<Table> own = tables.from();
        if (own.stream().allMatch(table -> table.knownHierarchy().parents().isEmpty())) {
            return own;
        }
        InheritedChanges changes = new InheritedChanges(Table.byName(before), Table.byName(tables.all()), words);
        Map<QualifiedName, Table> wanted = Table.byName(tables.to());
        Map<QualifiedName, Table> applied = new HashMap<>();
        new CreationOrder(own).parentsFirst().forEach(table -> applied.put(table.qualifiedName(),
                changes.applied(table, Optional.ofNullable(wanted.get(table.qualifiedName())))));
        return own.stream().map(table -> applied.get(table.qualifiedName())).toList();
    }

    private Table applied(Table table, Optional<Table> wanted) {
        Optional<Table> whole = table.knownHierarchy().parents().stream().findFirst().map(after::get);
        if (wanted.isEmpty() || !new HierarchyRules(words).same(table, wanted.get(), whole)) {
            return table;
        }
        List<Column> columns = new ArrayList<>(table.columns());
        for (QualifiedName parent : table.knownHierarchy().parents()) {
            if (before.containsKey(parent) && after.containsKey(parent)) {
                handDown(before.get(parent), after.get(parent), table, wanted.get(), columns);
            }
        }
        return table.withColumns(columns);
    }

    private void handDown(Table parentBefore, Table parentAfter, Table table, Table wanted, List<Column> columns) {
        Set<String> here = reached.computeIfAbsent(table.qualifiedName(), any -> new HashSet<>());
        Set<String> above = reached.getOrDefault(parentAfter.qualifiedName(), Set.of());
        for (Column now : parentAfter.columns()) {
            Optional<Column> was = parentBefore.column(now.name());
            boolean there = columns.stream().anyMatch(column -> column.name().equals(now.name()));
            if (was.isPresent() && (above.contains(now.name()) || differs(was.get(), now))) {
                here.add(now.name());
                columns.replaceAll(
                        column -> column.name().equals(now.name()) ? changed(column, was.get(), now, above) : column);
            }
            if (was.isEmpty() && !there && wanted.column(now.name()).isPresent()) {
                columns.add(now.withComment(""));
            }
        }
        // a child keeps the column, as its parent alone is said to drop it
        parentBefore.columns().stream().map(Column::name)
                .filter(name -> table.knownHierarchy().isPartition() && parentAfter.column(name).isEmpty())
                .forEach(name -> columns.removeIf(column -> column.name().equals(name)));
    }

    private boolean differs(Column was, Column now) {
        return was.required() != now.required() || !was.type().equals(now.type()) || defaultDiffers(was, now);
    }

    private boolean defaultDiffers(Column was, Column now) {
        return !words.defaultSense(was).equals(words.defaultSense(now));
    }

    private Column changed(Column column, Column was, Column now, Set<String> above) {
        boolean all = above.contains(now.name());
        Column changed = column.withType(now.type());
        changed = all || was.required() != now.required() ? changed.withRequired(now.required()) : changed;
        return all || defaultDiffers(was, now) ? changed.withDefault(now.defaultValue()) : changed;
    }
}
