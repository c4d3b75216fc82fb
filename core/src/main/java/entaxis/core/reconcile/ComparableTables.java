package entaxis.core.reconcile;

import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.OwnParts;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * The tables of two sides as they are compared and changed: without what they only inherit, and with the partitioning
 * that the wanted ones can get. By what the rows of a table are split is said when it is created and cannot be changed
 * later (PostgreSQL manual, 5.12.2), so a table that is there keeps it, and its partitions.
 *
 * @param from those that are there, under the wanted names
 * @param to   those that are wanted
 * @param all  the same as the wanted ones, with what they inherit
 * @param kept sentences about what is not changed
 */
public record ComparableTables(List<Table> from, List<Table> to, List<Table> all, List<String> kept) {
    /**
     * The tables of two sides, of which one may not tell what its tables inherit: what the other says holds for both,
     * so that what a table gets from its parents is not given to it again. Linear.
     *
     * @param from those that are there, under the wanted names
     */
    public static ComparableTables ofChange(List<Table> from, List<Table> to, EngineWordingRules words) {
        Function<Table, String> identity = table -> words.folded(table.label());
        return of(OwnParts.told(from, to, identity), OwnParts.told(to, from, identity), words);
    }

    /**
     * The tables of two sides. Linear.
     *
     * @param from those that are there, under the wanted names
     */
    public static ComparableTables of(List<Table> from, List<Table> to, EngineWordingRules words) {
        if (standAlone(from) && standAlone(to)) {
            return new ComparableTables(from, to, to, List.of());
        }
        HierarchyRules rules = new HierarchyRules(words);
        Kept wanted = kept(from, to, words, rules);
        Map<String, Table> there = words.byName(wanted.tables());
        OwnParts.Both own = OwnParts.of(from, wanted.tables(), table -> words.folded(table.label()),
                (before, after) -> rules.same(before, after, whole(after, there, words)));
        return new ComparableTables(own.from(), own.to(), wanted.tables(), wanted.sentences());
    }

    private static boolean standAlone(List<Table> tables) {
        return tables.stream().allMatch(table -> table.knownHierarchy().equals(Hierarchy.NONE));
    }

    /** The table that one is a partition of; none if it is not. */
    static Optional<Table> whole(Table table, Map<String, Table> tables, EngineWordingRules words) {
        return table.knownHierarchy().parents().stream().findFirst()
                .flatMap(parent -> Optional.ofNullable(tables.get(words.folded(parent.label()))));
    }

    /** The wanted tables as far as those that are there can become so. */
    private record Kept(List<Table> tables, List<String> sentences) { }

    private static Kept kept(List<Table> from, List<Table> to, EngineWordingRules words, HierarchyRules rules) {
        Map<String, Table> present = words.byName(from);
        Map<QualifiedName, Hierarchy> keeping = new HashMap<>();
        List<String> kept = new ArrayList<>();
        for (Table table : to) {
            Optional<Hierarchy> before =
                    Optional.ofNullable(present.get(words.folded(table.label()))).flatMap(Table::hierarchy);
            Optional<Hierarchy> after = table.hierarchy();
            if (before.isPresent() && after.isPresent() && !rules.sense(before.get().partitioning())
                    .equals(rules.sense(after.get().partitioning()))) {
                keeping.put(table.qualifiedName(), new Hierarchy(after.get().parents(), after.get().bound(),
                        before.get().partitioning()));
                kept.add(table.label() + " is " + rules.wording(before.get().partitioning()) + ", but should be "
                        + rules.wording(after.get().partitioning()) + "; " + words.dialect().target().title()
                        + " can only change that by rebuilding the table, so it is left, with its partitions.");
            }
        }
        return keeping.isEmpty() ? new Kept(to, List.of()) : new Kept(tables(from, to, keeping, words), kept);
    }

    private static List<Table> tables(List<Table> from, List<Table> to, Map<QualifiedName, Hierarchy> keeping,
            EngineWordingRules words) {
        Set<QualifiedName> without = partitions(to, keeping.keySet());
        Set<QualifiedName> with = partitions(from, keeping.keySet());
        List<Table> tables = new ArrayList<>();
        Set<String> names = new HashSet<>();
        for (Table table : to) {
            if (!without.contains(table.qualifiedName())) {
                Optional<Hierarchy> own = Optional.ofNullable(keeping.get(table.qualifiedName()));
                tables.add(own.isPresent() ? table.withHierarchy(own) : table);
                names.add(words.folded(table.label()));
            }
        }
        from.stream().filter(table -> with.contains(table.qualifiedName()) && names.add(words.folded(table.label())))
                .forEach(tables::add);
        return tables;
    }

    /** All partitions of some tables, and of their partitions. */
    private static Set<QualifiedName> partitions(List<Table> tables, Set<QualifiedName> of) {
        Map<QualifiedName, List<QualifiedName>> below = new HashMap<>();
        tables.stream().filter(table -> table.knownHierarchy().isPartition()).forEach(table -> below
                .computeIfAbsent(table.knownHierarchy().parents().getFirst(), any -> new ArrayList<>())
                .add(table.qualifiedName()));
        Set<QualifiedName> found = new HashSet<>();
        List<QualifiedName> open = new ArrayList<>(of);
        while (!open.isEmpty()) {
            below.getOrDefault(open.removeLast(), List.of()).stream().filter(found::add).forEach(open::add);
        }
        return found;
    }
}
