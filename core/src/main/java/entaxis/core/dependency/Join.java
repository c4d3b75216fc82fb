package entaxis.core.dependency;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Whether rows that are split into parts join back to the same rows. Takes time in proportion to the largest join on
 * the way.
 */
public final class Join {
    private static final int MAX_COUNT = 2_000_000;

    private Join() { }

    /** Whether the natural join of the projections onto the parts is exactly the different rows there are. */
    public static boolean restores(Rows rows, List<AttributeSet> parts) {
        AttributeSet all = AttributeSet.first(rows.columns().size());
        if (!parts.stream().reduce(AttributeSet.none(), AttributeSet::union).equals(all)) {
            return false;
        }
        List<AttributeSet> open = new ArrayList<>(parts);
        AttributeSet joined = open.removeFirst();
        Set<List<String>> result = rows.projected(joined);
        while (!open.isEmpty()) {
            AttributeSet sofar = joined;
            AttributeSet next = open.stream().filter(sofar::meets).findFirst().orElse(open.getFirst());
            open.remove(next);
            result = join(result, joined, rows.projected(next), next);
            joined = joined.union(next);
            if (result.size() > MAX_COUNT) {
                return false;
            }
        }
        return result.equals(rows.projected(all));
    }

    private static Set<List<String>> join(Set<List<String>> left, AttributeSet leftSet, Set<List<String>> right,
            AttributeSet rightSet) {
        List<Integer> leftPlaces = leftSet.members();
        List<Integer> rightPlaces = rightSet.members();
        List<Integer> shared = leftSet.intersection(rightSet).members();
        Map<List<String>, List<List<String>>> byShared = new HashMap<>();
        right.forEach(
                row -> byShared.computeIfAbsent(picked(row, rightPlaces, shared), any -> new ArrayList<>()).add(row));
        List<Integer> out = leftSet.union(rightSet).members();
        Set<List<String>> joined = new HashSet<>();
        for (List<String> row : left) {
            for (List<String> other : byShared.getOrDefault(picked(row, leftPlaces, shared), List.of())) {
                List<String> whole = new ArrayList<>(out.size());
                out.forEach(place -> whole.add(leftSet.contains(place) ? row.get(leftPlaces.indexOf(place))
                        : other.get(rightPlaces.indexOf(place))));
                joined.add(whole);
                if (joined.size() > MAX_COUNT) {
                    return joined;
                }
            }
        }
        return joined;
    }

    private static List<String> picked(List<String> row, List<Integer> places, List<Integer> wanted) {
        return wanted.stream().map(place -> row.get(places.indexOf(place))).toList();
    }
}
