package entaxis.core.reading;

import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Grant;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/** A table while statements make and change it. */
final class TableBuilder {
    private static final int SMALL_SIZE = 24;
    private static final int DEFAULT = 16;
    private static final long ANY = -1;

    String namespace;
    String name;
    /** The columns in order; who adds or renames says so to {@link #touched}. */
    final List<ColumnBuilder> columns = new ArrayList<>(DEFAULT);
    Optional<PrimaryKey> primaryKey = Optional.empty();
    final List<UniqueKey> uniqueKeys = new ArrayList<>(2);
    final List<CheckRule> checks = new ArrayList<>(2);
    final List<ForeignKey> foreignKeys = new ArrayList<>(2);
    final List<TableIndex> indexes = new ArrayList<>(2);
    /** How often an index or key was given another name. */
    int indexRenames;
    private Set<String> leftBehind = Set.of();
    String comment = "";
    /** Who may use it; empty where that is not known. */
    Optional<List<Grant>> grants = Optional.empty();
    /**
     * Whether the storage engine keeps references; MyISAM reads past them (MySQL manual, “FOREIGN KEY Constraint
     * Differences”).
     */
    boolean keepsReferences = true;
    /** Whether a reference was passed for that reason. */
    boolean passedReferences;
    /** Tables that have this one's columns beside their own, by inheritance or as its partitions. */
    final List<TableBuilder> heirs = new ArrayList<>(0);
    /** Tables whose columns it has. */
    private final List<TableBuilder> parents = new ArrayList<>(0);
    /** Whether it is a partition: it has the keys, references and indexes of the whole too. */
    private boolean partition;
    /** Which rows of the whole it holds; empty where that was not understood. */
    private Optional<PartitionBound> bound = Optional.empty();
    /** By what its rows are split among its partitions. */
    Optional<Partitioning> partitioning = Optional.empty();
    private Map<String, ColumnBuilder> byName = Map.of();
    /**
     * A bit for each column's name, so that most names that are no column's are told at once; all bits where that is
     * not kept up.
     */
    private long seen;
    private final boolean exact;

    TableBuilder(String namespace, String name, boolean exact) {
        this.namespace = namespace;
        this.name = name;
        this.exact = exact;
    }

    /** Makes it inherit from another. */
    void inherit(TableBuilder parent) {
        parents.add(parent);
        parent.heirs.add(this);
    }

    /** All tables that inherit from it, directly or not, each once. */
    List<TableBuilder> descendants() {
        if (heirs.isEmpty()) {
            return List.of();
        }
        Set<TableBuilder> found = new LinkedHashSet<>(heirs);
        List<TableBuilder> open = new ArrayList<>(heirs);
        while (!open.isEmpty()) {
            open.removeLast().heirs.stream().filter(found::add).forEach(open::add);
        }
        return List.copyOf(found);
    }

    /** Whether it has a column only because another table that it inherits from does. */
    boolean onlyInherits(ColumnBuilder column) {
        return column.inherited && parents.stream().noneMatch(parent -> parent.has(column.name));
    }

    /** Makes columns its own that none of its parents has any longer. */
    private void keepColumns() {
        columns.stream().filter(this::onlyInherits).forEach(column -> column.inherited = false);
    }

    /** Makes it a partition of another, which holds some of its rows. */
    void join(TableBuilder whole, Optional<PartitionBound> rows) {
        inherit(whole);
        partition = true;
        bound = rows;
        columns.forEach(column -> column.inherited |= whole.has(column.name));
    }

    /** Ends that it inherits from a table, or is a partition of it. */
    void leave(TableBuilder parent) {
        if (parents.remove(parent)) {
            parent.heirs.remove(this);
            partition = false;
            bound = Optional.empty();
            keepColumns();
        }
    }

    /** Ends that it inherits from any table, and that any table inherits from it. */
    void leaveAll() {
        List.copyOf(parents).forEach(this::leave);
        List.copyOf(heirs).forEach(heir -> heir.leave(this));
    }

    /** Its partitions. */
    List<TableBuilder> partitions() {
        return heirs.stream().filter(heir -> heir.partition).toList();
    }

    private Optional<Hierarchy> hierarchy() {
        if (parents.isEmpty()) {
            return Optional.of(partitioning.map(Hierarchy.NONE::partitioned).orElse(Hierarchy.NONE));
        }
        List<QualifiedName> names =
                parents.stream().map(parent -> new QualifiedName(parent.namespace, parent.name)).toList();
        return partition && bound.isEmpty() ? Optional.empty() : Optional.of(new Hierarchy(names, bound, partitioning));
    }

    void touched() {
        byName = Map.of();
        seen = ANY;
    }

    /**
     * Notes that a reference of a name is gone, whose own index may be there still (MySQL manual, “FOREIGN KEY
     * Constraints”).
     */
    void leaveBehind(String reference) {
        if (leftBehind.isEmpty()) {
            leftBehind = new HashSet<>();
        }
        leftBehind.add(reference.toLowerCase(Locale.ROOT));
    }

    /** Takes away the index that a reference left behind, if there is one of the name. */
    boolean takeLeftBehind(String index) {
        return !leftBehind.isEmpty() && leftBehind.remove(index.toLowerCase(Locale.ROOT));
    }

    void add(ColumnBuilder column) {
        columns.add(column);
        seen |= exact ? bit(column.name) : ANY;
        if (!byName.isEmpty()) {
            byName.put(key(column.name), column);
        }
    }

    private static long bit(String name) {
        int hash = name.hashCode();
        return 1L << (hash ^ hash >>> 6);
    }

    private String key(String column) {
        return exact ? column : column.toLowerCase(Locale.ROOT);
    }

    /** The column of a name. */
    Optional<ColumnBuilder> column(String wanted) {
        return found(wanted);
    }

    /**
     * The column of a name.
     *
     * @param place where it is spoken of
     * @throws ConflictException if there is none
     */
    ColumnBuilder existing(String wanted, int place) {
        return found(wanted).orElseThrow(() -> ConflictException.noColumn(this, wanted, place));
    }

    /**
     * The names of columns as the table itself spells them.
     *
     * @param place where they are spoken of
     * @throws ConflictException if one of them is not there
     */
    List<String> existing(List<String> names, int place) {
        if (spellsAll(names)) {
            return names;
        }
        List<String> spelled = new ArrayList<>(names.size());
        for (String name : names) {
            spelled.add(existing(name, place).name);
        }
        return spelled;
    }

    /** Whether there are columns of exactly these names. */
    boolean spellsAll(List<String> names) {
        for (int i = 0; i < names.size(); i++) {
            if (!spells(names.get(i))) {
                return false;
            }
        }
        return true;
    }

    /** Whether a key, reference or rule has a name. */
    boolean hasConstraint(String constraint) {
        return primaryKey.filter(key -> same(key.name(), constraint)).isPresent()
                || uniqueKeys.stream().anyMatch(key -> same(key.name(), constraint))
                || foreignKeys.stream().anyMatch(key -> same(key.name(), constraint))
                || checks.stream().anyMatch(check -> same(check.name(), constraint));
    }

    /** Names a key, reference or rule otherwise. */
    void renameConstraint(String before, String now) {
        primaryKey = primaryKey.map(key -> same(key.name(), before) ? key.named(now) : key);
        uniqueKeys.replaceAll(key -> same(key.name(), before) ? new UniqueKey(now, key.columns()) : key);
        foreignKeys.replaceAll(key -> same(key.name(), before) ? key.named(now) : key);
        checks.replaceAll(check -> same(check.name(), before) ? check.named(now) : check);
    }

    boolean has(String column) {
        return found(column).isPresent();
    }

    /** The name of a column as the table spells it. */
    Optional<String> spelled(String column) {
        return found(column).map(own -> own.name);
    }

    /** Makes the columns that count by themselves begin with a number. */
    void numberFrom(long first) {
        List.copyOf(columns).stream().filter(column -> column.identity != Identity.NONE)
                .forEach(column -> column(column.name).ifPresent(own -> own.numbering = new Numbering(first, 1)));
    }

    /** Whether a column has exactly this name. */
    boolean spells(String column) {
        Optional<ColumnBuilder> own = found(column);
        return own.isPresent() && own.get().name.equals(column);
    }

    /** Makes a column refuse null, if there is one of that name. */
    void require(String column) {
        if (found(column).filter(own -> !own.required).isPresent()) {
            column(column).ifPresent(own -> own.required = true);
        }
    }

    private Optional<ColumnBuilder> found(String wanted) {
        if (exact && (seen & bit(wanted)) == 0) {
            return Optional.empty();
        }
        if (columns.size() <= SMALL_SIZE) {
            for (int i = 0; i < columns.size(); i++) {
                ColumnBuilder column = columns.get(i);
                if (same(column.name, wanted)) {
                    return Optional.of(column);
                }
            }
            return Optional.empty();
        }
        if (byName.isEmpty()) {
            byName = new HashMap<>();
            columns.forEach(column -> byName.put(key(column.name), column));
        }
        return Optional.ofNullable(byName.get(key(wanted)));
    }

    boolean same(String one, String other) {
        return one == other
                || (exact ? one.hashCode() == other.hashCode() && one.equals(other) : one.equalsIgnoreCase(other));
    }

    private boolean among(List<String> names, String wanted) {
        return names.stream().anyMatch(name -> same(name, wanted));
    }

    /** Names a column otherwise, also wherever this table speaks of it. */
    void rename(ColumnBuilder column, String now) {
        String before = column.name;
        column.name = now;
        touched();
        UnaryOperator<String> renamed = name -> same(name, before) ? now : name;
        primaryKey = primaryKey.map(key -> key.renamed(renamed));
        uniqueKeys.replaceAll(key -> new UniqueKey(key.name(), key.columns().stream().map(renamed).toList()));
        foreignKeys.replaceAll(key -> key.over(key.columns().stream().map(renamed).toList()));
        Map<String, String> names = Map.of(before.toLowerCase(Locale.ROOT),
                now.matches("[A-Za-z_][A-Za-z0-9_]*") ? now : "\"" + now + "\"");
        checks.replaceAll(check -> check.with(check.condition().renamed(names)));
        indexes.replaceAll(
                index -> index.worded(renamed, expression -> expression.renamed(names)));
        columns.forEach(other -> other.generated = other.generated.map(expression -> expression.renamed(names)));
        partitioning = partitioning.map(by -> by.worded(renamed, expression -> expression.renamed(names)));
    }

    /**
     * Takes a column away, and what cannot stand without it.
     *
     * @param shrink whether an index keeps its other columns (MySQL manual, ALTER TABLE) instead of going with the
     *               column (PostgreSQL manual, ALTER TABLE)
     */
    void drop(ColumnBuilder column, boolean shrink) {
        columns.remove(column);
        touched();
        primaryKey = primaryKey.flatMap(key -> !among(key.columns(), column.name) ? Optional.of(key) : shrink
                && key.columns().size() > 1
                ? Optional.of(new PrimaryKey(key.name(), without(key.columns(), column.name), key.prefixes()))
                : Optional.empty());
        foreignKeys.removeIf(key -> among(key.columns(), column.name));
        if (shrink) {
            uniqueKeys.replaceAll(key -> new UniqueKey(key.name(), without(key.columns(), column.name)));
            uniqueKeys.removeIf(key -> key.columns().isEmpty());
            indexes.replaceAll(index -> index.over(index.columns().stream()
                    .filter(part -> part.expression() || !same(part.name(), column.name)).toList()));
            indexes.removeIf(index -> index.columns().isEmpty());
        } else {
            uniqueKeys.removeIf(key -> among(key.columns(), column.name));
            indexes.removeIf(index -> index.columns().stream().anyMatch(
                    part -> part.computed().map(expression -> mentions(expression, column.name))
                            .orElseGet(() -> same(part.column(), column.name)))
                    || index.predicate().map(rows -> mentions(rows, column.name)).orElse(false));
        }
        checks.removeIf(check -> mentions(check.condition(), column.name));
    }

    private List<String> without(List<String> names, String gone) {
        return names.stream().filter(name -> !same(name, gone)).toList();
    }

    /** Whether an expression speaks of a column. */
    boolean mentions(Expression expression, String column) {
        return expression.columns().contains(column.toLowerCase(Locale.ROOT));
    }

    /**
     * The table that came of it.
     *
     * @param tellsHierarchy whether the engine's tables can inherit, so that it is known that one does not
     */
    Table done(boolean tellsHierarchy) {
        List<Column> finished = new ArrayList<>(columns.size());
        columns.forEach(column -> finished.add(column.done()));
        return new Table(new QualifiedName(namespace, name), finished, primaryKey, uniqueKeys, checks, foreignKeys,
                indexes, comment, grants, tellsHierarchy ? hierarchy() : Optional.empty());
    }
}
