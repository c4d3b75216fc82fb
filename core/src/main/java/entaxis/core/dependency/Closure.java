package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * All that a set of attributes determines. Each dependency counts how many of its determinants are still missing; when
 * none is, its dependents are reached. C. Beeri and P. Bernstein, “Computational Problems Related to the Design of
 * Normal Form Relational Schemas”, ACM TODS 4(1), 1979. Making one takes time linear in the length of the dependencies,
 * and so does each closure.
 */
public final class Closure {
    /** One step by hand: a dependency whose determinants are all there, and what it adds. */
    public record Step(Functional used, AttributeSet added, AttributeSet reached) { }

    private final List<Functional> dependencies;
    private final int attributes;
    private final int[] missing;
    private final int[][] waiting;
    private final int[][] dependents;

    /** Prepares closures under these dependencies. */
    public Closure(int attributes, List<Functional> dependencies) {
        this.attributes = attributes;
        this.dependencies = List.copyOf(dependencies);
        this.missing = new int[dependencies.size()];
        this.dependents = new int[dependencies.size()][];
        this.waiting = new int[attributes][];
        int[] counts = new int[attributes];
        for (Functional dependency : dependencies) {
            dependency.determinant().forEach(place -> counts[place]++);
        }
        for (int place = 0; place < attributes; place++) {
            waiting[place] = new int[counts[place]];
        }
        for (int i = 0; i < missing.length; i++) {
            int at = i;
            dependencies.get(i).determinant().forEach(place -> waiting[place][--counts[place]] = at);
            missing[i] = dependencies.get(i).determinant().size();
            dependents[i] = dependencies.get(i).dependent().places();
        }
    }

    /** What a set determines, itself included. */
    public AttributeSet of(AttributeSet start) {
        return reach(start, -1);
    }

    /** What a set determines if one of the dependencies were not known. */
    AttributeSet without(int dependency, AttributeSet start) {
        return reach(start, dependency);
    }

    private AttributeSet reach(AttributeSet start, int leftOut) {
        int[] left = missing.clone();
        boolean[] reached = new boolean[attributes];
        int[] queue = new int[attributes];
        int[] tail = {0};
        start.forEach(place -> {
            reached[place] = true;
            queue[tail[0]++] = place;
        });
        int end = tail[0];
        for (int i = 0; i < left.length; i++) {
            if (left[i] == 0 && i != leftOut) {
                end = add(dependents[i], reached, queue, end);
            }
        }
        for (int head = 0; head < end; head++) {
            for (int i : waiting[queue[head]]) {
                if (--left[i] == 0 && i != leftOut) {
                    end = add(dependents[i], reached, queue, end);
                }
            }
        }
        return AttributeSet.of(Arrays.copyOf(queue, end));
    }

    private static int add(int[] places, boolean[] reached, int[] queue, int end) {
        int next = end;
        for (int place : places) {
            if (!reached[place]) {
                reached[place] = true;
                queue[next++] = place;
            }
        }
        return next;
    }

    /** Whether a dependency follows from those known. */
    public boolean implies(Functional dependency) {
        return of(dependency.determinant()).containsAll(dependency.dependent());
    }

    /**
     * How the closure is reached, one dependency after the other in the order in which they stand, as one does it by
     * hand. Quadratic in the dependencies.
     */
    public List<Step> steps(AttributeSet start) {
        List<Step> steps = new ArrayList<>();
        AttributeSet reached = start;
        boolean more = true;
        while (more) {
            more = false;
            for (Functional dependency : dependencies) {
                if (reached.containsAll(dependency.determinant()) && !reached.containsAll(dependency.dependent())) {
                    AttributeSet added = dependency.dependent().minus(reached);
                    reached = reached.union(added);
                    steps.add(new Step(dependency, added, reached));
                    more = true;
                }
            }
        }
        return steps;
    }
}
