package entaxis.core.dependency;

import entaxis.core.dependency.Decomposition.Part;
import entaxis.core.dependency.Decomposition.Split;
import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Boyce-Codd normal form by taking relations apart at a dependency whose determinant is no key, E. F. Codd, “Recent
 * Investigations into Relational Data Base Systems”, 1974. It begins with the relations of third normal form, most of
 * which need not be taken apart, so that few dependencies are lost. Lossless. The projections that it needs are
 * exponential at worst.
 */
public final class BoyceCoddDecomposition {
    private BoyceCoddDecomposition() { }

    /** The relations in the place of one. */
    public static Decomposition of(Relation relation) {
        return of(relation, AttributeSet.none());
    }

    /**
     * The relations in the place of one.
     *
     * @param preferred the key that a relation made for a key should have, if it is one
     */
    public static Decomposition of(Relation relation, AttributeSet preferred) {
        int attributes = relation.attributes().size();
        List<Functional> cover = MinimalCover.of(attributes, relation.functional());
        Closure closure = new Closure(attributes, cover);
        List<AttributeSet> open = new ArrayList<>(Synthesis.of(relation, preferred).sets());
        List<AttributeSet> done = new ArrayList<>();
        List<Split> steps = new ArrayList<>();
        while (!open.isEmpty()) {
            AttributeSet part = open.removeFirst();
            Optional<Functional> fault = fault(part, attributes, cover, closure);
            if (fault.isEmpty()) {
                done.add(part);
                continue;
            }
            AttributeSet determinant = fault.get().determinant();
            AttributeSet first = closure.of(determinant).intersection(part);
            AttributeSet second = part.minus(first).union(determinant);
            steps.add(new Split(part, new Functional(determinant, first.minus(determinant)), first, second));
            open.addFirst(second);
            open.addFirst(first);
        }
        List<AttributeSet> apart = done.stream().distinct()
                .filter(part -> done.stream().noneMatch(other -> !other.equals(part) && other.containsAll(part)))
                .toList();
        return new Decomposition(relation,
                apart.stream().map(part -> Part.of(part, AttributeSet.none(), relation)).toList(), steps);
    }

    /**
     * A dependency within the part whose determinant does not decide all of it: the one with the fewest determinants.
     */
    private static Optional<Functional> fault(AttributeSet part, int attributes, List<Functional> cover,
            Closure closure) {
        return Projection.onto(part, attributes, cover).stream()
                .filter(dependency -> !closure.of(dependency.determinant()).containsAll(part))
                .min((a, b) -> Integer.compare(a.determinant().size(), b.determinant().size()));
    }
}
