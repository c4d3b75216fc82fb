package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Multivalued;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Many-valued dependencies that rows satisfy: within each group of a determinant every value of the dependents stands
 * beside every value of the others (Fagin 1977). Determinants of a few columns are tried with every split of the other
 * columns, so it is meant for relations of at most twelve.
 */
public final class ManyValuedDiscovery {
    /** Most columns that are looked through. */
    public static final int MAX_COLUMNS = 12;

    private ManyValuedDiscovery() { }

    /**
     * Those that say more than functional dependencies do: some group has two values on either side. Each split is
     * given once, by its smaller side; smallest first.
     *
     * @param most how many determinants are tried at most
     */
    public static List<Multivalued> of(Rows rows, int most) {
        int columns = rows.columns().size();
        if (columns > MAX_COLUMNS) {
            return List.of();
        }
        List<Multivalued> found = new ArrayList<>();
        for (long bits = 0; bits < 1L << columns; bits++) {
            if (Long.bitCount(bits) <= most && columns - Long.bitCount(bits) >= 2) {
                AttributeSet determinant = AttributeSet.ofBits(bits);
                List<List<Integer>> groups = rows.groups(determinant);
                int[] rest = AttributeSet.first(columns).minus(determinant).places();
                for (long split = 1; split < 1L << rest.length - 1; split++) {
                    AttributeSet dependents = AttributeSet.none();
                    for (int i = 0; i < rest.length; i++) {
                        dependents = (split >> i & 1) != 0 ? dependents.with(rest[i]) : dependents;
                    }
                    AttributeSet others = AttributeSet.first(columns).minus(determinant).minus(dependents);
                    AttributeSet smaller = dependents.size() <= others.size() ? dependents : others;
                    if (independent(rows, groups, dependents, others)) {
                        found.add(new Multivalued(determinant, smaller));
                    }
                }
            }
        }
        found.sort((a, b) -> a.determinant().equals(b.determinant()) ? a.dependent().compareTo(b.dependent())
                : a.determinant().compareTo(b.determinant()));
        return found.stream()
                .filter(one -> found.stream()
                        .noneMatch(other -> !other.equals(one) && one.determinant().containsAll(other.determinant())
                && one.dependent().equals(other.dependent()))).toList();
    }

    /** Whether a many-valued dependency holds in the rows. */
    public static boolean holds(Rows rows, Multivalued dependency) {
        AttributeSet dependents = dependency.dependent().minus(dependency.determinant());
        AttributeSet others =
                AttributeSet.first(rows.columns().size()).minus(dependency.determinant()).minus(dependents);
        return rows.groups(dependency.determinant()).stream()
                .allMatch(group -> crossed(rows, group, dependents, others) >= 0);
    }

    private static boolean independent(Rows rows, List<List<Integer>> groups, AttributeSet dependents,
            AttributeSet others) {
        boolean many = false;
        for (List<Integer> group : groups) {
            int said = crossed(rows, group, dependents, others);
            if (said < 0) {
                return false;
            }
            many |= said > 0;
        }
        return many;
    }

    /** Below 0 if some combination is missing in the group; above 0 if both sides have several values. */
    private static int crossed(Rows rows, List<Integer> group, AttributeSet dependents, AttributeSet others) {
        Set<List<Integer>> left = new HashSet<>();
        Set<List<Integer>> right = new HashSet<>();
        Set<List<Integer>> both = new HashSet<>();
        int[] leftPlaces = dependents.places();
        int[] rightPlaces = others.places();
        int[] bothPlaces = dependents.union(others).places();
        for (int row : group) {
            left.add(rows.key(row, leftPlaces));
            right.add(rows.key(row, rightPlaces));
            both.add(rows.key(row, bothPlaces));
        }
        return both.size() < left.size() * right.size() ? -1 : left.size() > 1 && right.size() > 1 ? 1 : 0;
    }
}
