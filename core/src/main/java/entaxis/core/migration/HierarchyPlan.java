package entaxis.core.migration;

import entaxis.core.expression.Expression;
import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.reconcile.HierarchyRules;
import entaxis.core.reconcile.Risk;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.sql.HierarchyWriter;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The steps that take tables away from those that they inherit from or are partitions of, before anything else changes,
 * and that join them to others once both have the same form (PostgreSQL manual, ALTER TABLE).
 */
final class HierarchyPlan {
    private final HierarchyRules rules;
    private final Alterations engine;
    private final HierarchyWriter writer;
    private final Map<QualifiedName, Table> wanted;

    /** Steps towards the wanted tables. */
    HierarchyPlan(Map<QualifiedName, Table> wanted, EngineWordingRules words, Alterations engine) {
        this.rules = new HierarchyRules(words);
        this.engine = engine;
        this.writer = engine.writer.hierarchies();
        this.wanted = wanted;
    }

    private boolean changes(TableChange change) {
        return change.before.hierarchy().isPresent() && change.after.hierarchy().isPresent()
                && !rules.same(change.before, change.after,
                        change.after.knownHierarchy().parents().stream().findFirst().map(wanted::get));
    }

    /** Whether a table goes on inheriting from a parent in the same way. */
    private static boolean stays(Hierarchy from, Hierarchy to, QualifiedName parent) {
        return !from.isPartition() && !to.isPartition() && from.parents().contains(parent)
                && to.parents().contains(parent);
    }

    /** Takes tables away from their parents, all under their old names. */
    void leave(Collection<TableChange> tables, List<Step> steps) {
        tables.stream().filter(this::changes).forEach(change -> {
            Hierarchy from = change.before.knownHierarchy();
            for (int i = 0; i < from.parents().size(); i++) {
                QualifiedName old = change.original.knownHierarchy().parents().get(i);
                if (!stays(from, change.after.knownHierarchy(), from.parents().get(i))) {
                    steps.add(Step.safe(Stage.PROGRAMS_OUT, change.original.label(),
                            "Take " + change.original.label() + " away from " + old.label(),
                            List.of(writer.leave(change.original, old, from))));
                }
            }
        });
    }

    /** Joins tables to their parents, all under their new names. */
    void join(Collection<TableChange> tables, List<Step> steps) {
        tables.stream().filter(this::changes).forEach(change -> {
            Hierarchy to = change.after.knownHierarchy();
            to.parents().stream().filter(parent -> !stays(change.before.knownHierarchy(), to, parent))
                    .forEach(parent -> steps.add(Step.of(Stage.REFERENCES, change.name(),
                            to.isPartition() ? Risk.MAY_FAIL : Risk.SAFE,
                            to.isPartition() ? "Make " + change.name() + " a partition of " + parent.label()
                                    : "Let " + change.name() + " inherit from " + parent.label(),
                            List.of(writer.join(change.after, parent, to)), outside(change, parent, to),
                            to.isPartition() ? "Rows that lie outside of its bounds make it fail." : "", true)));
        });
    }

    /** How many rows lie outside of the bounds; not told where these are of several columns or of an expression. */
    private Optional<String> outside(TableChange change, QualifiedName parent, Hierarchy to) {
        List<IndexColumn> key = Optional.ofNullable(wanted.get(parent))
                .flatMap(whole -> whole.knownHierarchy().partitioning()).map(Partitioning::key).orElse(List.of());
        if (key.size() != 1 || key.getFirst().expression() || to.bound().isEmpty()) {
            return Optional.empty();
        }
        String name = key.getFirst().column();
        String old = change.oldNames().getOrDefault(name, name);
        String column = engine.name(old);
        return change.original.column(old).flatMap(there -> condition(to.bound().get(), column))
                .map(rows -> "SELECT count(*) FROM " + engine.writer.name(change.original) + " WHERE " + rows);
    }

    /** Which rows a partition does not take. */
    private Optional<String> condition(PartitionBound bound, String column) {
        return switch (bound) {
            case PartitionBound.Range(var from, var to) -> {
                String outside = Stream.of(end(column + " < ", from.getFirst(), "MINVALUE"),
                        end(column + " >= ", to.getFirst(), "MAXVALUE")).flatMap(Optional::stream)
                        .collect(Collectors.joining(" OR "));
                yield Optional.of(column + " IS NULL" + (outside.isEmpty() ? "" : " OR " + outside));
            }
            case PartitionBound.Values(var values) -> {
                List<String> taken = values.stream().map(engine.dialect::written)
                        .filter(value -> !value.equalsIgnoreCase("null")).toList();
                String listed = taken.isEmpty() ? "" : column + " NOT IN (" + String.join(", ", taken) + ")";
                yield taken.size() < values.size() ? Optional.of(taken.isEmpty() ? column + " IS NOT NULL" : listed)
                        : Optional.of(column + " IS NULL OR " + listed);
            }
            case PartitionBound.Remainder hashed -> Optional.empty();
            case PartitionBound.Default rest -> Optional.empty();
        };
    }

    private Optional<String> end(String comparison, Expression value, String open) {
        return value.text().equalsIgnoreCase(open) ? Optional.empty()
                : Optional.of(comparison + engine.dialect.written(value));
    }
}
