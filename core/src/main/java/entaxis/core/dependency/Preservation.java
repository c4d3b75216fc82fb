package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.List;

/**
 * Which dependencies can still be checked without joining. A closure is reached by way of the parts alone: C. Beeri and
 * P. Honeyman, “Preserving Functional Dependencies”, SIAM J. Computing 10(3), 1981. Polynomial; no projection is
 * computed.
 */
public final class Preservation {
    private Preservation() { }

    /** The dependencies of a minimal cover that do not follow from what holds within the parts. */
    public static List<Functional> lost(int attributes, List<Functional> dependencies, List<AttributeSet> parts) {
        List<Functional> cover = MinimalCover.of(attributes, dependencies);
        Closure closure = new Closure(attributes, cover);
        return MinimalCover.joined(cover.stream().filter(
                dependency -> !reached(dependency.determinant(), closure, parts).containsAll(dependency.dependent()))
                .toList());
    }

    private static AttributeSet reached(AttributeSet start, Closure closure, List<AttributeSet> parts) {
        AttributeSet reached = start;
        AttributeSet before;
        do {
            before = reached;
            for (AttributeSet part : parts) {
                reached = reached.union(closure.of(reached.intersection(part)).intersection(part));
            }
        } while (!reached.equals(before));
        return reached;
    }
}
