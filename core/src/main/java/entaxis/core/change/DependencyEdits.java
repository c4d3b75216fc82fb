package entaxis.core.change;

import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.StatedDependencies.Accepted;
import entaxis.core.design.StatedDependencies.Stated;
import entaxis.core.design.StatedDependencies;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Edits of what is stated of dependencies. */
final class DependencyEdits {
    private static final int MAX_COUNT = 2000;

    private DependencyEdits() { }

    static EditStep state(Design design, StatedDependencies dependencies) {
        if (!design.entities().contains(dependencies.entity())) {
            return EditStep.refused(design, "", "This entity is no longer there: it was deleted meanwhile.");
        }
        if (dependencies.stated().size() > MAX_COUNT) {
            return EditStep.refused(design, "value",
                    "At most " + MAX_COUNT + " dependencies are stated of one entity.");
        }
        Optional<String> reason = dependencies.accepted().stream()
                .flatMap(accepted -> Invariants.text(accepted.reason(), "The reason").stream()).findFirst();
        if (reason.isPresent()) {
            return EditStep.refused(design, "value", reason.get());
        }
        return EditStep.done(
                dependencies.empty() ? design.withDependencies(design.dependencies().without(dependencies.entity()))
                : design.withDependencies(design.dependencies().with(dependencies)));
    }

    /** The design without statements about what is no longer there. */
    static Design cleanedUp(Design design) {
        if (design.dependencies().size() == 0) {
            return design;
        }
        Design rest = design;
        Set<String> there = new HashSet<>();
        design.entities()
                .forEach(entity -> entity.attributes().forEach(attribute -> there.add(attribute.id().value())));
        design.relationships().forEach(relationship -> there.add(relationship.id().value()));
        for (StatedDependencies one : design.dependencies()) {
            if (!design.entities().contains(one.entity())) {
                rest = rest.withDependencies(rest.dependencies().without(one.entity()));
                continue;
            }
            List<Stated> stated = one.stated().stream().filter(dependency -> whole(dependency, there)).toList();
            List<Accepted> accepted = one.accepted().stream().filter(fault -> whole(fault.fault(), there)).toList();
            StatedDependencies left = one.stated(stated).accepted(accepted)
                    .rejected(one.rejected().stream().filter(dependency -> whole(dependency, there)).toList());
            rest = left.equals(one) ? rest : rest.withDependencies(
                    left.empty() ? rest.dependencies().without(one.entity()) : rest.dependencies().with(left));
        }
        return rest;
    }

    private static boolean whole(Stated dependency, Set<String> there) {
        return Stream.concat(dependency.determinant().stream(), dependency.dependent().stream())
                .allMatch(path -> there(path, there));
    }

    private static boolean there(ColumnPath path, Set<String> there) {
        return there.contains(path.attribute().value())
                && path.hops().stream().allMatch(hop -> there.contains(hop.relationship().value()));
    }
}
