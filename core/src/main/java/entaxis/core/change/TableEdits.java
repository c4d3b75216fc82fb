package entaxis.core.change;

import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.Partitions.Partition;
import entaxis.core.design.Partitions;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;

/** Edits of what only tables have: indexes and conditions on whole rows. */
final class TableEdits {
    private static final int MAX_COUNT = 200;
    private static final int MAX_PARTITIONS = 5000;

    private TableEdits() { }

    static EditStep indexes(Design design, Change.SetIndexes edit) {
        Optional<Entity> found = design.entities().find(edit.entity());
        if (found.isEmpty()) {
            return EntityEdits.gone(design);
        }
        if (edit.indexes().size() > MAX_COUNT) {
            return EditStep.refused(design, "index", "A table has " + MAX_COUNT + " indexes at most.");
        }
        for (Index index : edit.indexes()) {
            Optional<String> fault = fault(design, found.get(), index);
            if (fault.isPresent()) {
                return EditStep.refused(design, "index", fault.get());
            }
        }
        return EditStep.done(design.with(found.get().withIndexes(edit.indexes())));
    }

    private static Optional<String> fault(Design design, Entity entity, Index index) {
        if (index.parts().isEmpty()) {
            return Optional.of("An index is made of at least one attribute.");
        }
        if (index.parts().stream().map(IndexPart::part).distinct().count() < index.parts().size()) {
            return Optional.of("An index names each attribute once.");
        }
        boolean there = index.parts().stream().map(IndexPart::part).allMatch(part -> switch (part) {
            case OwnPart(AttributeId attribute) -> entity.attribute(attribute).isPresent();
            case InheritedPart(RelationshipId id) ->
                    design.relationships().find(id).flatMap(Relationship::childEntity).equals(Optional.of(entity.id()));
        });
        return there ? index.name().isEmpty() ? Optional.empty() : Invariants.name(index.name(), "the index")
                : Optional.of("Something in this index is no longer part of “" + entity.name() + "”.");
    }

    static EditStep checks(Design design, Change.SetChecks edit) {
        Optional<Entity> found = design.entities().find(edit.entity());
        if (found.isEmpty()) {
            return EntityEdits.gone(design);
        }
        if (edit.checks().size() > MAX_COUNT) {
            return EditStep.refused(design, "check", "A table has " + MAX_COUNT + " conditions at most.");
        }
        for (NamedCheck check : edit.checks()) {
            Optional<String> fault =
                    (check.name().isEmpty() ? Optional.<String>empty() : Invariants.name(check.name(), "the condition"))
                    .or(() -> Invariants.text(check.condition(), "The condition"));
            if (fault.isPresent() || check.condition().isBlank()) {
                return EditStep.refused(design, "check",
                        fault.orElse("The condition is empty. Type one, as in: ended_on >= started_on"));
            }
        }
        return EditStep.done(design.with(found.get().withChecks(edit.checks())));
    }

    static EditStep partitions(Design design, Change.SetPartitions edit) {
        Optional<Entity> found = design.entities().find(edit.entity());
        if (found.isEmpty()) {
            return EntityEdits.gone(design);
        }
        return edit.partitions().flatMap(TableEdits::fault)
                .map(message -> EditStep.refused(design, "partition", message))
                .orElseGet(() -> EditStep.done(design.with(found.get().withPartitions(edit.partitions()))));
    }

    private static Optional<String> fault(Partitions partitions) {
        if (partitions.split().key().isEmpty()) {
            return Optional.of("Say by what the rows are split, as in: RANGE (received_on)");
        }
        if (partitions.partitions().size() > MAX_PARTITIONS) {
            return Optional.of("A table has " + MAX_PARTITIONS + " partitions at most.");
        }
        Set<String> split = new HashSet<>(Set.of(""));
        Set<String> names = new HashSet<>();
        for (Partition partition : partitions.partitions()) {
            Optional<String> fault = Invariants.name(partition.name(), "the partition");
            if (fault.isPresent()) {
                return fault;
            }
            if (!names.add(partition.name())) {
                return Optional.of("There are two partitions called " + partition.name() + ". Name one otherwise.");
            }
            if (!split.contains(partition.of())) {
                return Optional.of("The partition " + partition.name() + " is part of " + partition.of()
                        + ", which is no partition before it that is split itself.");
            }
            partition.split().ifPresent(own -> split.add(partition.name()));
        }
        return Optional.empty();
    }
}
