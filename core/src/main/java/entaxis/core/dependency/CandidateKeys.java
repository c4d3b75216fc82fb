package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * The candidate keys: the smallest sets that determine everything. From a key and a dependency X → Y the set X ∪ (K −
 * Y) is a superkey again; every key is reached this way. C. Lucchesi and S. Osborn, “Candidate Keys for Relations”,
 * JCSS 17(2), 1978: polynomial in attributes, dependencies and the number of keys, of which there may be exponentially
 * many.
 *
 * @param keys smallest first
 * @param more whether there are more than were asked for
 */
public record CandidateKeys(List<AttributeSet> keys, boolean more) {
    /** How many keys are looked for where nothing else is said. */
    public static final int MAX_COUNT = 1000;

    /** Copies the list. */
    public CandidateKeys {
        keys = keys.stream().sorted().toList();
    }

    /** The keys of a relation of which only functional dependencies are known, at most so many. */
    public static CandidateKeys of(int attributes, List<Functional> dependencies, int most) {
        List<Functional> cover = MinimalCover.joined(MinimalCover.of(attributes, dependencies));
        Closure closure = new Closure(attributes, cover);
        AttributeSet all = AttributeSet.first(attributes);
        List<AttributeSet> keys = new ArrayList<>(List.of(minimised(all, all, closure::of)));
        for (int i = 0; i < keys.size(); i++) {
            for (Functional dependency : cover) {
                if (!keys.get(i).meets(dependency.dependent())) {
                    continue;
                }
                AttributeSet superkey = dependency.determinant().union(keys.get(i).minus(dependency.dependent()));
                if (keys.stream().noneMatch(superkey::containsAll)) {
                    if (keys.size() == most) {
                        return new CandidateKeys(keys, true);
                    }
                    keys.add(minimised(superkey, all, closure::of));
                }
            }
        }
        return new CandidateKeys(keys, false);
    }

    /** The keys of a relation of which many-valued dependencies are known too, at most so many. */
    public static CandidateKeys of(Relation relation, int most) {
        if (relation.multivalued().isEmpty()) {
            return of(relation.attributes().size(), relation.functional(), most);
        }
        DependencyBasis basis = new DependencyBasis(relation);
        return search(relation.all(), basis::closure, most);
    }

    /**
     * The keys where only the closure of a set can be asked for, not a cover: a key that differs from one already found
     * leaves out one of its attributes. The number of closures is exponential in the attributes at worst.
     */
    private static CandidateKeys search(AttributeSet all, UnaryOperator<AttributeSet> closure, int most) {
        Set<AttributeSet> keys = new HashSet<>();
        Set<AttributeSet> seen = new HashSet<>();
        List<AttributeSet> open = new ArrayList<>(List.of(all));
        while (!open.isEmpty()) {
            AttributeSet left = open.removeLast();
            if (!seen.add(left) || !closure.apply(left).containsAll(all)) {
                continue;
            }
            AttributeSet key =
                    keys.stream().filter(left::containsAll).findFirst().orElseGet(() -> minimised(left, all, closure));
            if (keys.size() == most && !keys.contains(key)) {
                return new CandidateKeys(List.copyOf(keys), true);
            }
            keys.add(key);
            key.forEach(place -> open.add(left.without(place)));
        }
        return new CandidateKeys(List.copyOf(keys), false);
    }

    /** A key inside a superkey: later attributes are given up first. */
    static AttributeSet minimised(AttributeSet superkey, AttributeSet all, UnaryOperator<AttributeSet> closure) {
        AttributeSet key = superkey;
        int[] places = superkey.places();
        for (int i = places.length - 1; i >= 0; i--) {
            AttributeSet fewer = key.without(places[i]);
            key = closure.apply(fewer).containsAll(all) ? fewer : key;
        }
        return key;
    }

    /** The prime attributes: those in any key that was found. */
    public AttributeSet prime() {
        return keys.stream().reduce(AttributeSet.none(), AttributeSet::union);
    }

    /** Whether a set contains a key that was found. */
    public boolean superkey(AttributeSet set) {
        return keys.stream().anyMatch(set::containsAll);
    }
}
