package entaxis.core.reconcile;

import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * Finds what may have been renamed: a table that is gone and one that is new with mostly the same columns, references
 * and a like name; a column that is gone and one that is new with the same type, place, keys and a like name. Each is
 * paired once, the best first. Tables that share no column are not compared, so the time grows with the shared ones.
 */
public final class RenameFinder {
    /** What is said of a column that stands where the other one stood. */
    public static final String SAME_NEIGHBOURS = "the same neighbours";
    private static final double LEAST = 0.4;
    private static final int MAX_COMPARED = 60;
    private final EngineWordingRules words;

    private RenameFinder(Dialect dialect) {
        this.words = new EngineWordingRules(dialect);
    }

    /**
     * What may have been renamed between two schemas of an engine, the most likely first; columns of tables that are
     * themselves offered are looked at in that light.
     */
    public static List<Rename> find(Schema from, Schema to, Dialect dialect) {
        return new RenameFinder(dialect).find(from, to);
    }

    private List<Rename> find(Schema from, Schema to) {
        Matching<Table> pairs =
                Matching.of(from.tables(), to.tables(), table -> words.folded(table.label()), table -> "");
        List<Rename> renames = new ArrayList<>(tables(pairs.gone(), pairs.fresh(), from, to));
        Map<String, String> renamed = new HashMap<>();
        renames.stream().filter(Rename::likely).forEach(rename -> renamed.put(rename.from(), rename.to()));
        Map<String, Table> before = new HashMap<>();
        from.tables().forEach(table -> before
                .put(words.folded(renamed.getOrDefault(table.label(), table.label())), table));
        for (Table table : to.tables()) {
            Optional.ofNullable(before.get(words.folded(table.label())))
                    .ifPresent(own -> renames.addAll(columns(own, table)));
        }
        return renames;
    }

    private List<Rename> tables(List<Table> gone, List<Table> fresh, Schema from, Schema to) {
        if (gone.isEmpty() || fresh.isEmpty()) {
            return List.of();
        }
        Map<String, Set<String>> referring = referring(from);
        Map<String, Set<String>> referringNow = referring(to);
        Map<String, List<Table>> byColumn = new HashMap<>();
        for (Table table : fresh) {
            table.columns().forEach(column -> byColumn
                    .computeIfAbsent(words.folded(column.name()), any -> new ArrayList<>()).add(table));
        }
        List<Rename> found = new ArrayList<>();
        for (Table table : gone) {
            Map<Table, Integer> shared = new HashMap<>();
            for (Column column : table.columns()) {
                List<Table> holders = byColumn.getOrDefault(words.folded(column.name()), List.of());
                if (holders.size() <= MAX_COMPARED || fresh.size() <= MAX_COMPARED) {
                    holders.forEach(holder -> shared.merge(holder, 1, Integer::sum));
                }
            }
            shared.forEach((other, count) -> scored(table, other, count, referring, referringNow)
                    .filter(rename -> rename.score() >= LEAST).ifPresent(found::add));
        }
        return best(found);
    }

    private Map<String, Set<String>> referring(Schema schema) {
        Map<String, Set<String>> referring = new HashMap<>();
        schema.tables()
                .forEach(table -> table.foreignKeys().forEach(key -> referring
                        .computeIfAbsent(words.folded(key.referenced().label()),
                                any -> new HashSet<>())
                .add(words.folded(table.label()))));
        return referring;
    }

    private Optional<Rename> scored(Table table, Table other, int shared, Map<String, Set<String>> referring,
            Map<String, Set<String>> referringNow) {
        int all = table.columns().size() + other.columns().size() - shared;
        double columns = (double) shared / all;
        double name = NameSimilarity.of(table.name(), other.name());
        Set<String> before = referring.getOrDefault(words.folded(table.label()), Set.of());
        Set<String> now = referringNow.getOrDefault(words.folded(other.label()), Set.of());
        boolean referred = !before.isEmpty() && before.stream().anyMatch(now::contains);
        boolean key = !table.keyColumns().isEmpty()
                && words.folded(table.keyColumns()).equals(words.folded(other.keyColumns()));
        boolean refers = !references(table).isEmpty() && references(table).equals(references(other));
        double score = 0.55 * columns + 0.25 * name + (key ? 0.08 : 0) + (referred ? 0.08 : 0) + (refers ? 0.04 : 0);
        List<String> reasons = new ArrayList<>(List.of(shared + " of " + all + " columns have the same name"));
        if (name >= 0.5) {
            reasons.add("the names are alike");
        }
        if (key) {
            reasons.add("the same primary key");
        }
        if (referred) {
            reasons.add("the same tables refer to it");
        }
        return Optional.of(new Rename(SchemaPart.TABLE, "", table.label(), other.label(),
                Math.min(1, score), reasons));
    }

    private Set<String> references(Table table) {
        Set<String> names = new HashSet<>();
        for (ForeignKey key : table.foreignKeys()) {
            names.add(words.folded(key.referenced().label()));
        }
        return names;
    }

    private List<Rename> columns(Table before, Table now) {
        Matching<Column> pairs =
                Matching.of(before.columns(), now.columns(), column -> words.folded(column.name()), column -> "");
        if (pairs.gone().isEmpty() || pairs.fresh().isEmpty()
                || (long) pairs.gone().size() * pairs.fresh().size() > (long) MAX_COMPARED * MAX_COMPARED) {
            return List.of();
        }
        BiFunction<Table, Column, String> around = (table, column) -> {
            int at = table.columns().indexOf(column);
            return (at > 0 ? words.folded(table.columns().get(at - 1).name()) : "") + "|"
                    + (at + 1 < table.columns().size() ? words.folded(table.columns().get(at + 1).name()) : "");
        };
        List<Rename> found = new ArrayList<>();
        for (Column column : pairs.gone()) {
            for (Column other : pairs.fresh()) {
                double name = NameSimilarity.of(column.name(), other.name());
                boolean type = words.type(column.type()).equals(words.type(other.type()));
                boolean kind = type || Conversion.alike(column.type(), other.type());
                boolean place = around.apply(before, column).equals(around.apply(now, other));
                boolean keys = inKeys(before, column).equals(inKeys(now, other)) && !inKeys(before, column).isEmpty();
                boolean rest = column.required() == other.required()
                        && words.defaultSense(column).equals(words.defaultSense(other))
                        && column.comment().equals(other.comment());
                double score = kind
                        ? 0.45 * name + (type ? 0.2 : 0.08) + (place ? 0.2 : 0) + (keys ? 0.1 : 0) + (rest ? 0.05 : 0)
                        : 0;
                if (score >= LEAST) {
                    List<String> reasons = new ArrayList<>();
                    if (name >= 0.5) {
                        reasons.add("the names are alike");
                    }
                    if (type) {
                        reasons.add("the same type");
                    }
                    if (place) {
                        reasons.add(SAME_NEIGHBOURS);
                    }
                    if (keys) {
                        reasons.add("the same keys");
                    }
                    found.add(new Rename(SchemaPart.COLUMN, now.label(), column.name(), other.name(),
                            Math.min(1, score), reasons));
                }
            }
        }
        return best(found);
    }

    private static Set<String> inKeys(Table table, Column column) {
        Set<String> in = new HashSet<>();
        if (table.keyColumns().contains(column.name())) {
            in.add("primary");
        }
        table.uniqueKeys().stream().filter(key -> key.columns().contains(column.name()))
                .forEach(key -> in.add("unique " + key.columns().size()));
        table.foreignKeys().stream().filter(key -> key.columns().contains(column.name()))
                .forEach(key -> in.add("to " + key.referenced().label()));
        return in;
    }

    /** Each name once, the best pairs first. */
    private static List<Rename> best(List<Rename> found) {
        List<Rename> sorted = found.stream().sorted(Comparator.comparingDouble(Rename::score).reversed()
                .thenComparing(Rename::from).thenComparing(Rename::to)).toList();
        Set<String> used = new HashSet<>();
        Set<String> usedNow = new HashSet<>();
        List<Rename> best = new ArrayList<>();
        for (Rename rename : sorted) {
            if (!used.contains(rename.from()) && !usedNow.contains(rename.to())) {
                used.add(rename.from());
                usedNow.add(rename.to());
                best.add(rename);
            }
        }
        return best;
    }
}
