package entaxis.core.update;

import entaxis.core.change.Change;
import entaxis.core.design.Entity;
import entaxis.core.design.Partitions.Partition;
import entaxis.core.design.Partitions;
import entaxis.core.reconcile.Difference;
import entaxis.core.reverse.ReversedPartitions;
import entaxis.core.schema.QualifiedName;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Takes partitions of the database over, which are no entities of the design but parts of one. */
final class PartitionUpdate {
    private final DesignInProgress state;
    private final ReversedPartitions there;

    PartitionUpdate(DesignInProgress state) {
        this.state = state;
        this.there = ReversedPartitions.of(state.database(), Set.of());
    }

    /** Whether a difference is about a table that is a partition in the database, or in the design alone. */
    boolean concerns(Difference difference) {
        QualifiedName name = QualifiedName.ofLabel(difference.table());
        return there.wholes().containsKey(name)
                || difference.added() && state.owner(difference.table()).isEmpty() && holder(name.name()).isPresent();
    }

    /** By what the rows of a table are split in the database, without its partitions. */
    Optional<Partitions> split(String table) {
        return Optional.ofNullable(there.ofWhole().get(QualifiedName.ofLabel(table))).map(own -> own.with(List.of()));
    }

    /** Takes a partition over as the database has it, be it that there is none. */
    void take(Difference difference) {
        QualifiedName name = QualifiedName.ofLabel(difference.table());
        String what = "The partition " + name.label();
        Optional<QualifiedName> whole = Optional.ofNullable(there.wholes().get(name));
        Optional<Entity> entity =
                whole.map(QualifiedName::label).flatMap(state::entityOf).or(() -> holder(name.name()));
        if (entity.isEmpty()) {
            state.leave(what + " is left out, as the table that it is part of is not in the design.");
            return;
        }
        Optional<Partitions> known = whole.map(there.ofWhole()::get);
        Optional<Partition> wanted = known.flatMap(all -> all.partitions().stream()
                .filter(partition -> partition.name().equals(name.name())).findFirst());
        Partitions now = entity.get().partitions().or(() -> known.map(all -> all.with(List.of()))).orElseThrow();
        state.apply(new Change.SetPartitions(entity.get().id(),
                Optional.of(now.with(exchanged(now.partitions(), name.name(), wanted)))), what);
    }

    private static List<Partition> exchanged(List<Partition> partitions, String name, Optional<Partition> wanted) {
        List<Partition> result = new ArrayList<>();
        boolean found = false;
        for (Partition partition : partitions) {
            boolean same = partition.name().equals(name);
            found |= same;
            if (!same) {
                result.add(partition);
            } else {
                wanted.ifPresent(result::add);
            }
        }
        if (!found) {
            wanted.ifPresent(result::add);
        }
        return result;
    }

    /** The entity that has a partition of a name. */
    private Optional<Entity> holder(String partition) {
        return state.design().entities().stream()
                .filter(entity -> entity.partitions().stream().flatMap(own -> own.partitions().stream())
                        .anyMatch(own -> own.name().equals(partition))).findFirst();
    }
}
