package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What rows say of a dependency. Rows can refute one, never prove it. The measure is g3, the fewest rows to take out so
 * that it holds: J. Kivinen and H. Mannila, “Approximate Inference of Functional Dependencies from Relations”,
 * Theoretical Computer Science 149(1), 1995. Linear in the rows.
 *
 * @param rows     how many rows there are
 * @param holds    how many of them can stay
 * @param tested   how many share their determinant with another row, so that they could have refuted it
 * @param breaking rows that would have to go, each with one that it contradicts
 */
public record Evidence(int rows, int holds, int tested, List<Contradiction> breaking) {
    /** Two rows that agree in the determinant and not in the dependents. */
    public record Contradiction(int usual, int other) { }

    /** What rows say of a dependency. */
    public static Evidence of(Rows rows, Functional dependency) {
        int[] dependents = dependency.dependent().minus(dependency.determinant()).places();
        int holds = 0;
        int tested = 0;
        List<Contradiction> breaking = new ArrayList<>();
        for (List<Integer> group : rows.groups(dependency.determinant())) {
            tested += group.size() > 1 ? group.size() : 0;
            Map<List<Integer>, List<Integer>> kinds = new HashMap<>();
            group.forEach(row -> kinds.computeIfAbsent(rows.key(row, dependents), any -> new ArrayList<>()).add(row));
            List<Integer> usual = kinds.values().stream().reduce(
                    (a, b) -> b.size() > a.size() || b.size() == a.size() && b.getFirst() < a.getFirst() ? b : a)
                    .orElseThrow();
            holds += usual.size();
            group.stream().filter(row -> !usual.contains(row))
                    .forEach(row -> breaking.add(new Contradiction(usual.getFirst(), row)));
        }
        return new Evidence(rows.size(), holds, tested, List.copyOf(breaking));
    }

    /** Whether no row contradicts. */
    public boolean agrees() {
        return holds == rows;
    }
}
