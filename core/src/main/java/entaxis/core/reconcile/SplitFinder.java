package entaxis.core.reconcile;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Finds columns that may have moved out of a table into a new one: the new table has columns of the same name and type,
 * one of the two refers to the other, and everything that the new table requires can be filled from the old one. This
 * is how a table is split when a fact moves to what it is about (common practice). Linear in the columns of tables that
 * lost some, for each new table that shares one with them.
 */
public final class SplitFinder {
    private final EngineWordingRules words;
    private final Map<String, Table> before;

    /** Whether the split was done on the side that is not wanted, so that columns come back. */
    private final boolean backwards;

    private SplitFinder(Schema from, Dialect dialect, boolean backwards) {
        this.words = new EngineWordingRules(dialect);
        this.before = words.byName(from.tables());
        this.backwards = backwards;
    }

    /** What may have moved between two schemas of an engine, the first one under the names of the second. */
    public static List<Split> find(Schema from, Schema to, Dialect dialect) {
        return new SplitFinder(from, dialect, false).find(to);
    }

    /**
     * What the first side may have split that the second has in one table; each row of the second must find at most one
     * of the first. The first is under the names of the second. Tables of the usual schema only: the expressions that
     * find the values name no other.
     */
    public static List<MergedTable> joined(Schema from, Schema to, Dialect dialect) {
        List<MergedTable> joined = new ArrayList<>();
        Set<String> usual = new HashSet<>();
        Stream.concat(from.tables().stream(), to.tables().stream())
                .filter(table -> table.label().equals(table.name())).forEach(table -> usual.add(table.name()));
        for (Split split : new SplitFinder(to, dialect, true).find(from)) {
            if (!usual.contains(split.table()) || !usual.contains(split.into())) {
                continue;
            }
            Map<String, String> columns = new LinkedHashMap<>();
            Map<String, String> links = new LinkedHashMap<>();
            split.columns().forEach((own, column) -> {
                if (split.moved().contains(column)) {
                    columns.put(column, own);
                } else {
                    links.put(own, column);
                }
            });
            joined.add(new MergedTable(split.table(), split.into(), columns, links, split.reasons()));
        }
        return joined;
    }

    private List<Split> find(Schema to) {
        List<Table> fresh =
                to.tables().stream().filter(table -> !before.containsKey(words.folded(table.label()))).toList();
        if (fresh.isEmpty()) {
            return List.of();
        }
        Map<String, List<Table>> holders = new HashMap<>();
        fresh.forEach(table -> table.columns().forEach(
                column -> holders.computeIfAbsent(words.folded(column.name()), any -> new ArrayList<>()).add(table)));
        List<Split> found = new ArrayList<>();
        for (Table now : to.tables()) {
            Table old = before.get(words.folded(now.label()));
            if (old == null) {
                continue;
            }
            Map<Table, List<Column>> shared = new LinkedHashMap<>();
            Set<String> stay = new HashSet<>(words.folded(now.columns().stream().map(Column::name).toList()));
            for (Column column : old.columns()) {
                String name = words.folded(column.name());
                if (!stay.contains(name) && column.generated().isEmpty()) {
                    holders.getOrDefault(name, List.of())
                            .forEach(table -> shared.computeIfAbsent(table, any -> new ArrayList<>()).add(column));
                }
            }
            found.addAll(splits(old, now, shared));
        }
        return found;
    }

    /** The splits of one table; a table may be tied to it by way of another one that came out of it. */
    private List<Split> splits(Table old, Table now, Map<Table, List<Column>> shared) {
        Map<Table, Split> done = new LinkedHashMap<>();
        boolean more = true;
        while (more) {
            more = false;
            for (Map.Entry<Table, List<Column>> candidate : shared.entrySet()) {
                if (!done.containsKey(candidate.getKey())) {
                    Optional<Split> split = split(old, now, candidate.getKey(), candidate.getValue(), done);
                    split.ifPresent(own -> done.put(candidate.getKey(), own));
                    more |= split.isPresent();
                }
            }
        }
        return List.copyOf(done.values());
    }

    private boolean same(String one, String other) {
        return words.folded(one).equals(words.folded(other));
    }

    private Optional<Split> split(Table old, Table now, Table into, List<Column> gone, Map<Table, Split> others) {
        Map<String, String> columns = new LinkedHashMap<>();
        List<String> moved = new ArrayList<>();
        for (Column column : gone) {
            into.columns().stream()
                    .filter(own -> same(own.name(), column.name())
                            && words.type(own.type()).equals(words.type(column.type())) && fillable(own))
                    .findFirst().ifPresent(own -> {
                columns.put(own.name(), column.name());
                moved.add(column.name());
            });
        }
        List<String> once = new ArrayList<>();
        List<String> reasons =
                new ArrayList<>(List.of("the same " + (moved.size() == 1 ? "name and type" : "names and types")));
        Optional<ForeignKey> back = reference(into, now);
        Optional<ForeignKey> out = reference(now, into);
        if (back.isPresent()) {
            link(back.get().columns(), referenced(back.get(), now), backwards ? now : old, columns);
            reasons.add(into.label() + " refers to " + now.label());
        } else if (out.isPresent()) {
            List<String> keys = referenced(out.get(), into);
            link(keys, out.get().columns(), backwards ? now : old, columns);
            once.addAll(keys);
            reasons.add(now.label() + " refers to " + into.label());
        } else if (!backwards) {
            others.forEach((other, split) -> reference(other, into)
                    .filter(key -> once.isEmpty() && split.columns().keySet().containsAll(key.columns()))
                    .ifPresent(key -> {
                List<String> keys = referenced(key, into);
                link(keys, key.columns().stream().map(split.columns()::get).toList(), old, columns);
                once.addAll(keys);
                        reasons.add(other.label() + ", which came out of " + now.label() + ", refers to "
                                + into.label());
            }));
        }
        boolean linked = back.isPresent() && columns.keySet().containsAll(back.get().columns())
                || !once.isEmpty() && columns.keySet().containsAll(once);
        boolean possible = backwards ? back.map(key -> unique(into, key.columns())).orElse(true)
                : into.columns().stream().allMatch(column -> columns.containsKey(column.name()) || !needed(column));
        return !moved.isEmpty() && linked && possible
                ? Optional.of(new Split(now.label(), into.label(), moved, columns, once, reasons))
                : Optional.empty();
    }

    /**
     * Adds what fills the columns of the new table by which the two belong together, as far as the old table had it.
     */
    private void link(List<String> targets, List<String> sources, Table old, Map<String, String> columns) {
        for (int i = 0; i < targets.size() && targets.size() == sources.size(); i++) {
            String source = sources.get(i);
            if (old.columns().stream().anyMatch(column -> same(column.name(), source))) {
                columns.put(targets.get(i), source);
            }
        }
    }

    private static Optional<ForeignKey> reference(Table from, Table to) {
        return from.foreignKeys().stream().filter(
                key -> key.referenced().label().equals(to.label()))
                .findFirst();
    }

    private static List<String> referenced(ForeignKey key, Table table) {
        return key.referencedColumns().isEmpty() ? table.keyColumns() : key.referencedColumns();
    }

    private static boolean unique(Table table, List<String> columns) {
        Set<String> wanted = Set.copyOf(columns);
        return wanted.equals(Set.copyOf(table.keyColumns()))
                || table.uniqueKeys().stream().anyMatch(key -> wanted.equals(Set.copyOf(key.columns())));
    }

    private static boolean fillable(Column column) {
        return column.generated().isEmpty() && column.identity() == Identity.NONE;
    }

    private static boolean needed(Column column) {
        return column.required() && column.defaultValue().isEmpty() && fillable(column);
    }
}
