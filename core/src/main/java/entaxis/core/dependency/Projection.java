package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * The dependencies that hold within some of the attributes. The other attributes are taken out one by one, each time
 * with every dependency that leads to one put in the place of it where it is a determinant. G. Gottlob, “Computing
 * Covers for Embedded Functional Dependencies”, PODS 1987. Exponential at worst, as the smallest cover itself can be;
 * covers are made minimal on the way.
 */
public final class Projection {
    private Projection() { }

    /** A minimal cover, with single dependents, of what follows within a set of attributes. */
    public static List<Functional> onto(AttributeSet kept, int attributes, List<Functional> dependencies) {
        List<Functional> left = MinimalCover.of(attributes, dependencies);
        for (int out : AttributeSet.first(attributes).minus(kept).places()) {
            left = MinimalCover.of(attributes, resolved(left, out));
        }
        return left;
    }

    private static List<Functional> resolved(List<Functional> dependencies, int out) {
        Set<Functional> next = new LinkedHashSet<>();
        List<Functional> to = dependencies.stream().filter(dependency -> dependency.dependent().contains(out)).toList();
        for (Functional dependency : dependencies) {
            if (dependency.dependent().contains(out)) {
                continue;
            }
            if (!dependency.determinant().contains(out)) {
                next.add(dependency);
                continue;
            }
            for (Functional before : to) {
                Functional through = new Functional(dependency.determinant().without(out).union(before.determinant()),
                        dependency.dependent());
                if (!through.trivial()) {
                    next.add(through);
                }
            }
        }
        return new ArrayList<>(next);
    }
}
