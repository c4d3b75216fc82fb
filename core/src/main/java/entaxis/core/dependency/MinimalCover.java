package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The same dependencies without anything to spare: one dependent each, no determinant that could be left out, none that
 * follows from the others. Several covers may exist; this one keeps those that stand first. D. Maier, “Minimum Covers
 * in the Relational Database Model”, JACM 27(4), 1980. Takes one closure for every determinant and every dependency:
 * quadratic in their length.
 */
public final class MinimalCover {
    private MinimalCover() { }

    /** A minimal cover, each dependency with a single dependent. */
    public static List<Functional> of(int attributes, List<Functional> dependencies) {
        return irredundant(attributes, reduced(attributes, dependencies));
    }

    /** The same dependencies with as few determinants as they need and one dependent each, none twice. */
    private static List<Functional> reduced(int attributes, List<Functional> dependencies) {
        Closure closure = new Closure(attributes, dependencies);
        Set<Functional> reduced = new LinkedHashSet<>();
        for (Functional dependency : dependencies) {
            for (int dependent : dependency.dependent().minus(dependency.determinant()).places()) {
                AttributeSet determinant = dependency.determinant();
                for (int place : reversed(dependency.determinant().places())) {
                    AttributeSet fewer = determinant.without(place);
                    determinant = closure.of(fewer).contains(dependent) ? fewer : determinant;
                }
                reduced.add(new Functional(determinant, AttributeSet.of(dependent)));
            }
        }
        return List.copyOf(reduced);
    }

    private static int[] reversed(int[] places) {
        int[] reversed = new int[places.length];
        for (int i = 0; i < places.length; i++) {
            reversed[i] = places[places.length - 1 - i];
        }
        return reversed;
    }

    private static List<Functional> irredundant(int attributes, List<Functional> dependencies) {
        List<Functional> kept = new ArrayList<>(dependencies);
        Closure closure = new Closure(attributes, kept);
        for (int i = kept.size() - 1; i >= 0; i--) {
            if (closure.without(i, kept.get(i).determinant()).containsAll(kept.get(i).dependent())) {
                kept.remove(i);
                closure = new Closure(attributes, kept);
            }
        }
        return List.copyOf(kept);
    }

    /** Dependencies with equal determinants joined into one, in the order in which the determinants first stand. */
    public static List<Functional> joined(List<Functional> dependencies) {
        Map<AttributeSet, AttributeSet> byDeterminant = new LinkedHashMap<>();
        dependencies.forEach(dependency -> byDeterminant.merge(dependency.determinant(), dependency.dependent(),
                AttributeSet::union));
        List<Functional> joined = new ArrayList<>();
        byDeterminant.forEach((determinant, dependent) -> joined.add(new Functional(determinant, dependent)));
        return joined;
    }
}
