package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import java.util.ArrayList;
import java.util.List;

/**
 * What follows from functional and many-valued dependencies together: the finest partition of the other attributes into
 * blocks that a set decides about one by one. C. Beeri, “On the Membership Problem for Functional and Multivalued
 * Dependencies in Relational Databases”, ACM TODS 5(3), 1980. A basis takes time polynomial in attributes and
 * dependencies.
 */
public final class DependencyBasis {
    private final AttributeSet all;
    private final List<Multivalued> dependencies = new ArrayList<>();
    private final List<Functional> functional;

    /** Prepares bases under all dependencies of a relation. */
    public DependencyBasis(Relation relation) {
        this(relation.all(), relation.functional(), relation.multivalued());
    }

    private DependencyBasis(AttributeSet all, List<Functional> functional, List<Multivalued> multivalued) {
        this.all = all;
        this.functional = functional;
        dependencies.addAll(multivalued);
        functional.forEach(dependency -> dependency.dependent().minus(dependency.determinant())
                .forEach(place -> dependencies.add(new Multivalued(dependency.determinant(), AttributeSet.of(place)))));
    }

    /** The blocks for a set; its own members are in none. */
    public List<AttributeSet> of(AttributeSet set) {
        List<AttributeSet> blocks = new ArrayList<>();
        AttributeSet rest = all.minus(set);
        if (!rest.isEmpty()) {
            blocks.add(rest);
        }
        boolean more = true;
        while (more) {
            more = false;
            for (Multivalued dependency : dependencies) {
                for (int i = 0; i < blocks.size(); i++) {
                    AttributeSet block = blocks.get(i);
                    AttributeSet inside = block.intersection(dependency.dependent());
                    if (!block.meets(dependency.determinant()) && !inside.isEmpty() && !inside.equals(block)) {
                        blocks.set(i, inside);
                        blocks.add(block.minus(inside));
                        more = true;
                    }
                }
            }
        }
        return blocks.stream().sorted().toList();
    }

    /** What a set determines, itself included, also by way of many-valued dependencies. */
    public AttributeSet closure(AttributeSet set) {
        AttributeSet reached = set;
        for (AttributeSet block : of(set)) {
            if (block.size() == 1
                    && functional.stream().anyMatch(dependency -> dependency.dependent().containsAll(block)
                            && !dependency.determinant().containsAll(block))) {
                reached = reached.union(block);
            }
        }
        return reached;
    }

    /** Whether a dependency follows from those known. */
    public boolean implies(Dependency dependency) {
        return switch (dependency) {
            case Functional(var determinant, var dependent) -> closure(determinant).containsAll(dependent);
            case Multivalued(var determinant, var dependent) -> {
                AttributeSet wanted = dependent.minus(determinant);
                yield of(determinant).stream().filter(wanted::containsAll)
                        .reduce(AttributeSet.none(), AttributeSet::union).equals(wanted);
            }
        };
    }
}
