package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;

/**
 * The definitions themselves, carried out by looking at every set of attributes: slow, and so plain that one sees that
 * they are right.
 */
public final class Brute {
    private Brute() { }

    static List<AttributeSet> subsets(AttributeSet of) {
        List<AttributeSet> all = new ArrayList<>(List.of(AttributeSet.none()));
        for (int place : of.places()) {
            List.copyOf(all).forEach(set -> all.add(set.with(place)));
        }
        return all;
    }

    static AttributeSet closure(AttributeSet start, List<Functional> dependencies) {
        AttributeSet reached = start;
        AttributeSet before;
        do {
            before = reached;
            for (Functional dependency : dependencies) {
                reached =
                        reached.containsAll(dependency.determinant()) ? reached.union(dependency.dependent()) : reached;
            }
        } while (!before.equals(reached));
        return reached;
    }

    static Set<AttributeSet> keys(AttributeSet all, List<Functional> dependencies) {
        List<AttributeSet> superkeys =
                subsets(all).stream().filter(set -> closure(set, dependencies).containsAll(all)).toList();
        return new HashSet<>(superkeys.stream()
                .filter(set -> superkeys.stream().noneMatch(other -> !other.equals(set) && set.containsAll(other)))
                .toList());
    }

    static boolean equivalent(List<Functional> first, List<Functional> second) {
        return first.stream().allMatch(one -> closure(one.determinant(), second).containsAll(one.dependent()))
                && second.stream().allMatch(one -> closure(one.determinant(), first).containsAll(one.dependent()));
    }

    /** All that holds within a part. */
    static List<Functional> within(AttributeSet part, List<Functional> dependencies) {
        return subsets(part).stream().map(set -> new Functional(set, closure(set, dependencies).intersection(part)))
                .toList();
    }

    /** The normal form of a part, by the definitions over every dependency that follows. */
    static NormalForm form(AttributeSet part, List<Functional> dependencies) {
        List<Functional> all = within(part, dependencies);
        Set<AttributeSet> keys = keys(part, all);
        AttributeSet prime = keys.stream().reduce(AttributeSet.none(), AttributeSet::union);
        boolean second = true;
        boolean third = true;
        boolean boyceCodd = true;
        for (Functional one : all) {
            AttributeSet more = one.dependent().minus(one.determinant());
            boolean superkey = keys.stream().anyMatch(one.determinant()::containsAll);
            boyceCodd &= superkey || more.isEmpty();
            third &= superkey || prime.containsAll(more);
            second &= prime.containsAll(more) || keys.stream()
                    .noneMatch(key -> key.containsAll(one.determinant()) && !key.equals(one.determinant()));
        }
        return boyceCodd ? NormalForm.BOYCE_CODD : third ? NormalForm.THIRD : second ? NormalForm.SECOND
                : NormalForm.FIRST;
    }

    /**
     * Whether a dependency follows from functional and many-valued ones: two rows that agree in the determinant alone,
     * completed by every rule (the definition by the chase).
     */
    static boolean implies(Relation relation, Dependency wanted) {
        int width = relation.attributes().size();
        Set<List<Integer>> rows = new HashSet<>();
        List<Integer> first = new ArrayList<>();
        List<Integer> second = new ArrayList<>();
        for (int i = 0; i < width; i++) {
            first.add(0);
            second.add(wanted.determinant().contains(i) ? 0 : 1);
        }
        rows.add(first);
        rows.add(second);
        boolean[] equal = new boolean[width];
        boolean more = true;
        while (more) {
            more = equated(relation, rows, equal);
            Set<List<Integer>> next = new HashSet<>();
            rows.forEach(row -> {
                List<Integer> one = new ArrayList<>(row);
                for (int i = 0; i < width; i++) {
                    one.set(i, equal[i] ? 0 : row.get(i));
                }
                next.add(one);
            });
            more |= completed(relation, next);
            rows = next;
        }
        for (int i = 0; i < width; i++) {
            first.set(i, 0);
            second.set(i, equal[i] ? 0 : second.get(i));
        }
        return switch (wanted) {
            case Functional(var determinant, var dependent) ->
                    dependent.members().stream().allMatch(place -> determinant.contains(place) || equal[place]);
            case Multivalued(var determinant, var dependent) -> {
                List<Integer> row = new ArrayList<>(second);
                dependent.forEach(place -> row.set(place, 0));
                yield rows.contains(row);
            }
        };
    }

    /** Makes places equal that functional dependencies make so; whether any was not before. */
    private static boolean equated(Relation relation, Set<List<Integer>> rows, boolean[] equal) {
        boolean more = false;
        for (Functional dependency : relation.functional()) {
            for (List<Integer> a : rows) {
                for (List<Integer> b : rows) {
                    if (dependency.determinant().members().stream()
                            .allMatch(place -> a.get(place).equals(b.get(place)))) {
                        for (int place : dependency.dependent().places()) {
                            if (!a.get(place).equals(b.get(place)) && !equal[place]) {
                                equal[place] = true;
                                more = true;
                            }
                        }
                    }
                }
            }
        }
        return more;
    }

    /** Adds the rows that many-valued dependencies ask for; whether any was missing. */
    private static boolean completed(Relation relation, Set<List<Integer>> rows) {
        boolean more = false;
        for (Multivalued dependency : relation.multivalued()) {
            for (List<Integer> a : List.copyOf(rows)) {
                for (List<Integer> b : List.copyOf(rows)) {
                    if (dependency.determinant().members().stream()
                            .allMatch(place -> a.get(place).equals(b.get(place)))) {
                        List<Integer> row = new ArrayList<>(b);
                        dependency.dependent().forEach(place -> row.set(place, a.get(place)));
                        more |= rows.add(row);
                    }
                }
            }
        }
        return more;
    }

    public static List<Functional> functional(Random random, int attributes, int most) {
        List<Functional> dependencies = new ArrayList<>();
        int count = random.nextInt(most + 1);
        for (int i = 0; i < count; i++) {
            dependencies.add(new Functional(some(random, attributes, 3),
                    some(random, attributes, 2).with(random.nextInt(attributes))));
        }
        return dependencies;
    }

    public static AttributeSet some(Random random, int attributes, int most) {
        AttributeSet set = AttributeSet.none();
        int count = random.nextInt(most) + (random.nextInt(10) == 0 ? 0 : 1);
        for (int i = 0; i < count; i++) {
            set = set.with(random.nextInt(attributes));
        }
        return set;
    }

    static Relation relation(int attributes, List<Functional> functional, List<Multivalued> multivalued) {
        List<String> names = new ArrayList<>();
        for (int i = 0; i < attributes; i++) {
            names.add(String.valueOf((char) ('a' + i)));
        }
        return new Relation("R", names, functional, multivalued);
    }
}
