package entaxis.core.dependency;

import entaxis.core.dependency.Decomposition.Part;
import entaxis.core.dependency.Decomposition.Split;
import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Fourth normal form by taking relations apart at a many-valued fact that is not about a key, R. Fagin, “Multivalued
 * Dependencies and a New Normal Form for Relational Databases”, ACM TODS 2(3), 1977. Lossless. Within a part the
 * determinants of the stated dependencies are tried, and in parts of up to twelve attributes every set: that many bases
 * are computed.
 */
public final class FourthFormDecomposition {
    private static final int TRY_ALL = 12;

    private FourthFormDecomposition() { }

    /** The relations in the place of one. */
    public static Decomposition of(Relation relation) {
        DependencyBasis basis = new DependencyBasis(relation);
        List<AttributeSet> open = new ArrayList<>(List.of(relation.all()));
        List<AttributeSet> done = new ArrayList<>();
        List<Split> steps = new ArrayList<>();
        while (!open.isEmpty()) {
            AttributeSet part = open.removeFirst();
            Optional<Dependency> fault = fault(part, relation, basis);
            if (fault.isEmpty()) {
                done.add(part);
                continue;
            }
            AttributeSet determinant = fault.get().determinant();
            AttributeSet first = determinant.union(fault.get().dependent());
            AttributeSet second = part.minus(fault.get().dependent());
            steps.add(new Split(part, fault.get(), first, second));
            open.addFirst(second);
            open.addFirst(first);
        }
        List<AttributeSet> apart = done.stream().distinct()
                .filter(part -> done.stream().noneMatch(other -> !other.equals(part) && other.containsAll(part)))
                .toList();
        return new Decomposition(relation,
                apart.stream().map(part -> Part.of(part, AttributeSet.none(), relation)).toList(), steps);
    }

    private static Optional<Dependency> fault(AttributeSet part, Relation relation, DependencyBasis basis) {
        for (AttributeSet determinant : determinants(part, relation)) {
            AttributeSet closure = basis.closure(determinant);
            if (closure.containsAll(part)) {
                continue;
            }
            AttributeSet decided = closure.intersection(part).minus(determinant);
            if (!decided.isEmpty()) {
                return Optional.of(new Functional(determinant, decided));
            }
            List<AttributeSet> blocks = basis.of(determinant).stream().map(block -> block.intersection(part))
                    .filter(block -> !block.isEmpty()).toList();
            if (blocks.size() > 1) {
                return Optional.of(new Multivalued(determinant, blocks.getFirst()));
            }
        }
        return Optional.empty();
    }

    private static Set<AttributeSet> determinants(AttributeSet part, Relation relation) {
        Set<AttributeSet> tried = new LinkedHashSet<>();
        relation.functional().stream().map(Functional::determinant).filter(part::containsAll).forEach(tried::add);
        relation.multivalued().stream().map(Multivalued::determinant).filter(part::containsAll).forEach(tried::add);
        int[] places = part.places();
        if (places.length <= TRY_ALL) {
            List<AttributeSet> all = new ArrayList<>();
            for (long bits = 0; bits < 1L << places.length; bits++) {
                all.add(chosen(places, bits));
            }
            all.stream().sorted().forEach(tried::add);
        }
        return tried;
    }

    private static AttributeSet chosen(int[] places, long bits) {
        AttributeSet set = AttributeSet.none();
        for (int i = 0; i < places.length; i++) {
            set = (bits >> i & 1) != 0 ? set.with(places[i]) : set;
        }
        return set;
    }
}
