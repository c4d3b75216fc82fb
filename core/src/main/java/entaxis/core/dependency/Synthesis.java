package entaxis.core.dependency;

import entaxis.core.dependency.Decomposition.Part;
import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Third normal form made of the dependencies: one relation for each group of equivalent determinants. P. Bernstein,
 * “Synthesizing Third Normal Form Relations from Functional Dependencies”, ACM TODS 1(4), 1976; with a relation for a
 * key where none holds one (J. Biskup, U. Dayal, P. Bernstein, SIGMOD 1979), and without relations that lie within
 * others. Lossless and dependency-preserving. Takes two minimal covers, and for each part its projection.
 */
public final class Synthesis {
    private record Group(AttributeSet key, List<AttributeSet> determinants, List<Functional> dependencies) { }

    private Synthesis() { }

    /** The relations in the place of one. */
    public static Decomposition of(Relation relation) {
        return of(relation, AttributeSet.none());
    }

    /**
     * The relations in the place of one.
     *
     * @param preferred the key that the relation for a key should have, if it is one; else a smallest
     */
    public static Decomposition of(Relation relation, AttributeSet preferred) {
        int attributes = relation.attributes().size();
        List<Functional> cover = MinimalCover.of(attributes, relation.functional());
        Closure closure = new Closure(attributes, cover);
        List<AttributeSet> parts = new ArrayList<>();
        List<AttributeSet> keys = new ArrayList<>();
        for (Group group : groups(attributes, cover, closure)) {
            AttributeSet set = group.determinants().stream().reduce(AttributeSet.none(), AttributeSet::union);
            parts.add(group.dependencies().stream().map(Functional::dependent).reduce(set, AttributeSet::union));
            keys.add(group.key());
        }
        CandidateKeys candidates = CandidateKeys.of(attributes, cover, CandidateKeys.MAX_COUNT);
        if (parts.stream().noneMatch(part -> closure.of(part).containsAll(relation.all()))) {
            AttributeSet key = candidates.keys().contains(preferred) ? preferred : candidates.keys().getFirst();
            parts.add(key);
            keys.add(key);
        }
        List<Part> kept = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            int at = i;
            boolean within = java.util.stream.IntStream.range(0, parts.size())
                    .anyMatch(other -> other != at && parts.get(other).containsAll(parts.get(at))
                    && (!parts.get(at).equals(parts.get(other)) || other < at));
            if (!within) {
                kept.add(Part.of(parts.get(i), keys.get(i), relation));
            }
        }
        return new Decomposition(relation, kept, List.of());
    }

    /**
     * Dependencies by determinants that decide each other; what follows from the others and those equivalences is left
     * out (step 5 of the paper).
     */
    private static List<Group> groups(int attributes, List<Functional> cover, Closure closure) {
        Map<AttributeSet, List<AttributeSet>> byClosure = new LinkedHashMap<>();
        cover.forEach(dependency -> {
            List<AttributeSet> determinants =
                    byClosure.computeIfAbsent(closure.of(dependency.determinant()), any -> new ArrayList<>());
            if (!determinants.contains(dependency.determinant())) {
                determinants.add(dependency.determinant());
            }
        });
        List<Functional> equivalences = new ArrayList<>();
        byClosure.values().forEach(same -> same.forEach(determinant -> {
            AttributeSet others = same.stream().reduce(AttributeSet.none(), AttributeSet::union).minus(determinant);
            if (!others.isEmpty()) {
                equivalences.add(new Functional(determinant, others));
            }
        }));
        List<Functional> needed = new ArrayList<>(cover);
        for (int i = needed.size() - 1; i >= 0; i--) {
            List<Functional> others = new ArrayList<>(needed);
            Functional tried = others.remove(i);
            others.addAll(equivalences);
            if (new Closure(attributes, others).implies(tried)) {
                needed.remove(i);
            }
        }
        List<Group> groups = new ArrayList<>();
        byClosure.values().forEach(same -> groups.add(new Group(same.getFirst(), same,
                needed.stream().filter(dependency -> same.contains(dependency.determinant())).toList())));
        return groups;
    }
}
