package entaxis.core.schema;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What tables define by themselves, without what they have of the tables that they inherit from or are partitions of:
 * columns and checks, of a partition also keys, references and indexes (PostgreSQL manual, 5.11 and 5.12). Linear in
 * the size of the schemas.
 */
public final class OwnParts {
    private OwnParts() { }

    /** Two schemas' tables, each with its own parts only. */
    public record Both(List<Table> from, List<Table> to) { }

    /** Tables with their own parts only; what inherits nothing stays as it is. */
    public static List<Table> of(List<Table> tables) {
        if (standAlone(tables)) {
            return tables;
        }
        Map<QualifiedName, Table> named = Table.byName(tables);
        return tables.stream().map(table -> own(table, named)).toList();
    }

    /**
     * Tables before and after a change, without what follows from a change of their parents: of a table that goes on
     * inheriting, a part is left out where neither side has it as its own.
     *
     * @param identity what tells tables apart; a table has the same on both sides
     * @param goesOn   whether a table inherits after the change as it did before
     */
    public static Both of(List<Table> from, List<Table> to, Function<Table, String> identity,
            BiPredicate<Table, Table> goesOn) {
        if (standAlone(from) && standAlone(to)) {
            return new Both(from, to);
        }
        Map<String, Table> there = byIdentity(to, identity);
        Map<String, Table> ownBefore = byIdentity(of(from), identity);
        Map<String, Table> ownAfter = byIdentity(of(to), identity);
        Map<String, Set<String>> more = new HashMap<>();
        for (Table table : from) {
            String key = identity.apply(table);
            Table other = there.get(key);
            if (other != null && !goesOn.test(table, other)) {
                ownBefore.put(key, table);
                ownAfter.put(key, other);
            } else if (other != null) {
                more.put(key, staying(table, other));
            }
        }
        return new Both(from.stream().map(table -> kept(table, identity.apply(table), ownBefore, ownAfter, more))
                .toList(),
                to.stream().map(table -> kept(table, identity.apply(table), ownAfter, ownBefore, more))
                        .toList());
    }

    /**
     * Columns that are compared although they are only inherited: those about which both sides say different things, as
     * comments are not inherited, and those that a table may keep when its parent loses them.
     */
    private static Set<String> staying(Table table, Table other) {
        Set<String> names = new HashSet<>();
        for (Column column : table.columns()) {
            boolean stays = other.column(column.name()).map(same -> !same.comment().equals(column.comment()))
                    .orElse(!table.knownHierarchy().isPartition());
            if (stays) {
                names.add(column.name());
            }
        }
        return names;
    }

    /**
     * Leaves out of a table what was left out of one that is the same under other names.
     *
     * @param other the same as the whole table, part by part
     * @param whole a table
     * @param own   what was kept of it
     */
    public static Table alongside(Table other, Table whole, Table own) {
        return own == whole ? other : other
                .withColumns(alongside(other.columns(), whole.columns(), own.columns()))
                .withKeys(own.primaryKey().flatMap(key -> other.primaryKey()),
                        alongside(other.uniqueKeys(), whole.uniqueKeys(), own.uniqueKeys()))
                .withChecks(alongside(other.checks(), whole.checks(), own.checks()))
                .referring(alongside(other.foreignKeys(), whole.foreignKeys(), own.foreignKeys()))
                .withIndexes(alongside(other.indexes(), whole.indexes(), own.indexes()));
    }

    private static <T> List<T> alongside(List<T> other, List<T> whole, List<T> own) {
        Set<T> kept = Collections.newSetFromMap(new IdentityHashMap<>());
        kept.addAll(own);
        return IntStream.range(0, whole.size()).filter(i -> kept.contains(whole.get(i))).mapToObj(other::get).toList();
    }

    private static boolean standAlone(List<Table> tables) {
        return tables.stream().allMatch(table -> table.knownHierarchy().parents().isEmpty());
    }

    private static Map<String, Table> byIdentity(List<Table> tables, Function<Table, String> identity) {
        Map<String, Table> named = HashMap.newHashMap(tables.size());
        tables.forEach(table -> named.putIfAbsent(identity.apply(table), table));
        return named;
    }

    /** Tables, of which those that do not tell what they inherit get what the same ones of another schema say. */
    public static List<Table> told(List<Table> tables, List<Table> others, Function<Table, String> identity) {
        if (tables.stream().allMatch(table -> table.hierarchy().isPresent())
                || others.stream().allMatch(table -> table.hierarchy().isEmpty())) {
            return tables;
        }
        Map<String, Table> other = byIdentity(others, identity);
        Map<String, Table> here = byIdentity(tables, identity);
        Map<QualifiedName, QualifiedName> names = new HashMap<>();
        other.forEach((key, table) -> Optional.ofNullable(here.get(key))
                .ifPresent(own -> names.put(table.qualifiedName(), own.qualifiedName())));
        return tables.stream().map(table -> table.hierarchy().isPresent() ? table
                : table.withHierarchy(Optional.ofNullable(other.get(identity.apply(table))).flatMap(Table::hierarchy)
                        .filter(hierarchy -> names.keySet().containsAll(hierarchy.parents()))
                        .map(hierarchy -> hierarchy.renamed(names::get)))).toList();
    }

    /** A table without what neither side has as its own. */
    private static Table kept(Table table, String identity, Map<String, Table> own, Map<String, Table> otherOwn,
            Map<String, Set<String>> staying) {
        Table here = own.getOrDefault(identity, table);
        Table there = otherOwn.getOrDefault(identity, here);
        Set<String> more = staying.getOrDefault(identity, Set.of());
        Set<Object> columns = Stream.concat(here.columns().stream(), there.columns().stream()).map(Column::name)
                .collect(Collectors.toCollection(() -> new HashSet<>(more)));
        return table
                .withColumns(table.columns().stream().filter(column -> columns.contains(column.name())).toList())
                .withKeys(kept(table.primaryKey().stream().toList(), here.primaryKey().stream().toList(),
                        there.primaryKey().stream().toList(), key -> "").stream().findFirst(),
                        kept(table.uniqueKeys(), here.uniqueKeys(), there.uniqueKeys(), UniqueKey::columns))
                .withChecks(kept(table.checks(), here.checks(), there.checks(), CheckRule::name))
                .referring(kept(table.foreignKeys(), here.foreignKeys(), there.foreignKeys(), OwnParts::identity))
                .withIndexes(kept(table.indexes(), here.indexes(), there.indexes(), OwnParts::identity));
    }

    private static <T> List<T> kept(List<T> all, List<T> own, List<T> otherOwn, Function<T, Object> identity) {
        Set<Object> kept = new HashSet<>();
        Stream.concat(own.stream(), otherOwn.stream()).map(identity).forEach(kept::add);
        return all.stream().filter(part -> kept.contains(identity.apply(part))).toList();
    }

    private static Table own(Table table, Map<QualifiedName, Table> named) {
        Hierarchy hierarchy = table.knownHierarchy();
        Table own = table;
        for (QualifiedName parent : hierarchy.parents()) {
            Optional<Table> whole = Optional.ofNullable(named.get(parent));
            if (whole.isPresent()) {
                own = without(own, whole.get(), hierarchy.isPartition());
            }
        }
        return own;
    }

    private static Table without(Table table, Table parent, boolean partition) {
        List<Column> columns = table.columns().stream()
                .filter(column -> parent.column(column.name())
                        .filter(its -> inherits(column, its, partition)).isEmpty())
                .toList();
        Set<String> checks = new HashSet<>();
        parent.checks().forEach(check -> checks.add(check.name() + "\n" + check.condition().canonical()));
        Table own = table.withColumns(columns).withChecks(table.checks().stream()
                .filter(check -> !checks.contains(check.name() + "\n" + check.condition().canonical())).toList());
        if (!partition) {
            return own;
        }
        Set<Object> references = new HashSet<>();
        parent.foreignKeys().forEach(key -> references.add(identity(key)));
        Set<Object> indexes = new HashSet<>();
        parent.indexes().forEach(index -> indexes.add(identity(index)));
        Set<List<String>> keys = new HashSet<>();
        parent.uniqueKeys().forEach(key -> keys.add(key.columns()));
        return own
                .withKeys(own.primaryKey().filter(key -> !key.columns().equals(parent.keyColumns())),
                        own.uniqueKeys().stream().filter(key -> !keys.contains(key.columns())).toList())
                .referring(own.foreignKeys().stream().filter(key -> !references.contains(identity(key))).toList())
                .withIndexes(own.indexes().stream().filter(index -> !indexes.contains(identity(index))).toList());
    }

    /** Whether a column is as that of a parent makes it; what is said about it is its own in any case. */
    private static boolean inherits(Column column, Column parent, boolean partition) {
        Identity numbered = partition ? parent.identity() : Identity.NONE;
        return column.type().equals(parent.type()) && column.required() == parent.required()
                && column.defaultValue().equals(parent.defaultValue())
                && column.identity() == numbered && column.generated().equals(parent.generated())
                && column.details().equals(parent.details());
    }

    /** What a reference is, its name aside. */
    private static Object identity(ForeignKey key) {
        return key.named("");
    }

    /** What an index is, its name aside. */
    private static Object identity(TableIndex index) {
        return index.named("");
    }
}
