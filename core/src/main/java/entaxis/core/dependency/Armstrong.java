package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Rows that satisfy the given dependencies, what follows from them, and no others: an example to argue with. One row,
 * and one more for each largest set that does not determine some attribute, which agrees with the first exactly there.
 * C. Beeri, M. Dowd, R. Fagin and R. Statman, “On the Structure of Armstrong Relations for Functional Dependencies”,
 * JACM 31(1), 1984; the largest sets as in H. Mannila and K.-J. Räihä, “Design by Example”, JCSS 33(2), 1986. There may
 * be exponentially many.
 */
public final class Armstrong {
    private Armstrong() { }

    /** The rows, by numbers that stand for values: those of a column are equal where its values are. */
    public static List<int[]> rows(int attributes, List<Functional> dependencies) {
        List<int[]> rows = new ArrayList<>(List.of(new int[attributes]));
        for (AttributeSet agreeing : largest(attributes, dependencies)) {
            int[] row = new int[attributes];
            for (int column = 0; column < attributes; column++) {
                row[column] = agreeing.contains(column) ? 0 : rows.size();
            }
            rows.add(row);
        }
        return rows;
    }

    /** For every attribute the largest closed sets that leave it out. */
    static Set<AttributeSet> largest(int attributes, List<Functional> dependencies) {
        List<Functional> cover = MinimalCover.joined(MinimalCover.of(attributes, dependencies));
        Set<AttributeSet> all = new LinkedHashSet<>();
        for (int place = 0; place < attributes; place++) {
            List<AttributeSet> closed = new ArrayList<>();
            List<AttributeSet> open = new ArrayList<>(List.of(AttributeSet.first(attributes).without(place)));
            Set<AttributeSet> seen = new LinkedHashSet<>();
            while (!open.isEmpty()) {
                AttributeSet set = open.removeLast();
                if (!seen.add(set) || closed.stream().anyMatch(other -> other.containsAll(set))) {
                    continue;
                }
                cover.stream()
                        .filter(dependency -> set.containsAll(dependency.determinant())
                                && !set.containsAll(dependency.dependent()))
                        .findFirst()
                        .ifPresentOrElse(broken -> broken.determinant().forEach(out -> open.add(set.without(out))),
                                () -> closed.add(set));
            }
            closed.stream()
                    .filter(set -> closed.stream().noneMatch(other -> !other.equals(set) && other.containsAll(set)))
                    .forEach(all::add);
        }
        return all;
    }
}
