package entaxis.core.migration;

import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.sql.CreationOrder;
import entaxis.core.sql.Functions;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Tables that are rebuilt together. Some engines neither drop nor rename a table that others refer to, so the script
 * copies the rows, drops the tables with dependents first, creates them with referenced tables first, and copies the
 * rows back. Empty for other engines.
 */
final class RebuildGroup {
    private final Map<Table, TableChange> byOriginal = new LinkedHashMap<>();
    private final Map<Table, TableChange> byResult = new HashMap<>();
    private final EngineWordingRules words;
    private final CopyNames copies;

    private RebuildGroup(EngineWordingRules words, CopyNames copies) {
        this.words = words;
        this.copies = copies;
    }

    /**
     * Finds the group among the changes of tables and sets where the rows of each are kept meanwhile. Linear.
     *
     * @param sequences sequences that are made again, in small letters: tables that draw from them stand in their way
     * @param copies    what the copies are called
     */
    static RebuildGroup of(Collection<TableChange> changes, Set<String> sequences, CopyNames copies,
            EngineWordingRules words, Alterations engine) {
        RebuildGroup group = new RebuildGroup(words, copies);
        if (!engine.altersReferencedTables()) {
            group.collect(changes, sequences);
            group.byOriginal.values().forEach(change -> change.setAside(copies.of(change.original, "_old")));
        }
        return group;
    }

    private void collect(Collection<TableChange> changes, Set<String> sequences) {
        Map<String, List<TableChange>> referring = new HashMap<>();
        for (TableChange change : changes) {
            change.original.foreignKeys().forEach(key -> referring
                    .computeIfAbsent(words.folded(key.referenced().label()),
                            name -> new ArrayList<>())
                    .add(change));
        }
        Deque<TableChange> open = new ArrayDeque<>();
        for (TableChange change : changes) {
            boolean tied = !change.original.indexes().isEmpty()
                    || referring.containsKey(words.folded(change.original.label()))
                    || change.original.foreignKeys().stream().flatMap(key -> key.columns().stream())
                            .anyMatch(change.renamed::containsKey);
            if (change.rebuilt || change.renames() && tied || draws(change.original, sequences)) {
                open.add(change);
            }
        }
        Set<TableChange> found = new HashSet<>(open);
        while (!open.isEmpty()) {
            TableChange change = open.remove();
            byOriginal.put(change.original, change);
            byResult.put(change.after, change);
            referring.getOrDefault(words.folded(change.original.label()), List.of()).stream()
                    .filter(found::add).forEach(open::add);
        }
    }

    private boolean draws(Table table, Set<String> sequences) {
        return table.columns().stream().map(Column::defaultValue).flatMap(Optional::stream)
                .map(value -> words.dialect().standard(value))
                .map(value -> String.join(".", Functions.drawnFrom(value)))
                .anyMatch(name -> sequences.contains(words.folded(name)));
    }

    /** The change of a table that is made again, by the table as it was. */
    Optional<TableChange> ofOriginal(Table table) {
        return Optional.ofNullable(byOriginal.get(table));
    }

    /** The change of a table that is made again, by the table as it becomes. */
    Optional<TableChange> ofResult(Table table) {
        return Optional.ofNullable(byResult.get(table));
    }

    /** Whether no table is made again together with others. */
    boolean isEmpty() {
        return byOriginal.isEmpty();
    }

    /** Tables that go and those of the group, in an order in which they can be dropped. */
    List<Table> dropOrder(List<Table> gone) {
        List<Table> all = new ArrayList<>(gone);
        all.addAll(byOriginal.keySet());
        return new CreationOrder(all).tables().reversed();
    }

    /** New tables and those of the group, in an order in which they can be made. */
    List<Table> creationOrder(List<Table> fresh) {
        List<Table> all = new ArrayList<>(fresh);
        byOriginal.values().forEach(change -> all.add(change.after));
        return new CreationOrder(all).tables();
    }
}
