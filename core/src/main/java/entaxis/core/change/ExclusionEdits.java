package entaxis.core.change;

import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.Exclusion;
import entaxis.core.design.ExclusionId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import java.util.List;
import java.util.Optional;

/** Edits of relationships that exclude each other. */
final class ExclusionEdits {
    private ExclusionEdits() { }

    static EditStep put(Design design, Exclusion exclusion) {
        Optional<String> fault = fault(design, exclusion);
        if (fault.isPresent()) {
            return EditStep.refused(design, "exclusion", fault.get());
        }
        Design next = design.withExclusions(design.exclusions().with(exclusion));
        for (RelationshipId id : exclusion.alternatives()) {
            Relationship relationship = next.relationships().get(id);
            Side parent = relationship.parent().orElseThrow();
            if (!relationship.end(parent).cardinality().optional()) {
                next = next.with(relationship.with(parent, relationship.end(parent).with(Cardinality.ZERO_OR_ONE)));
            }
        }
        return EditStep.done(next);
    }

    private static Optional<String> fault(Design design, Exclusion exclusion) {
        if (exclusion.alternatives().stream().distinct().count() < 2) {
            return Optional.of("Alternatives are at least two relationships of one entity. Choose a second one.");
        }
        for (RelationshipId id : exclusion.alternatives()) {
            Optional<Relationship> relationship = design.relationships().find(id);
            if (!relationship.flatMap(Relationship::childEntity).equals(Optional.of(exclusion.child()))) {
                return Optional.of("Only relationships by which one entity refers to others can exclude each other.");
            }
            if (design.identifying(relationship.get())) {
                return Optional.of("“" + relationship.get().first().verb()
                        + "” is part of the key, so it is always there and excludes nothing. Make it non-identifying "
                        + "first.");
            }
            boolean elsewhere = design.exclusions().stream()
                    .anyMatch(other -> !other.id().equals(exclusion.id()) && other.alternatives().contains(id));
            if (elsewhere) {
                return Optional.of("“" + relationship.get().first().verb() + "” is among other alternatives already.");
            }
        }
        return Optional.empty();
    }

    static EditStep remove(Design design, ExclusionId exclusion) {
        return design.exclusions().contains(exclusion)
                ? EditStep.done(design.withExclusions(design.exclusions().without(exclusion)))
                : EditStep.refused(design, "", "These alternatives are no longer there.");
    }

    /**
     * The design without a relationship, or with one that no longer fits, in its exclusions; those left with one
     * alternative go.
     */
    static Design cleanedUp(Design design) {
        Elements<ExclusionId, Exclusion> next = design.exclusions();
        for (Exclusion exclusion : design.exclusions()) {
            List<RelationshipId> fitting = exclusion.alternatives().stream()
                    .filter(id -> design.relationships().find(id)
                            .filter(relationship -> relationship.childEntity().equals(Optional.of(exclusion.child()))
                                    && !design.identifying(relationship)
                                    && relationship.parent()
                                            .map(side -> relationship.end(side).cardinality().optional()).orElse(false))
                            .isPresent())
                    .toList();
            if (fitting.size() < 2) {
                next = next.without(exclusion.id());
            } else if (fitting.size() < exclusion.alternatives().size()) {
                next = next.with(new Exclusion(exclusion.id(), exclusion.name(), exclusion.child(), fitting,
                        exclusion.mandatory()));
            }
        }
        return next == design.exclusions() ? design : design.withExclusions(next);
    }
}
