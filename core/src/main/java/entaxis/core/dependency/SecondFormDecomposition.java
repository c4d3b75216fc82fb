package entaxis.core.dependency;

import entaxis.core.dependency.Decomposition.Part;
import entaxis.core.dependency.Decomposition.Split;
import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Second normal form by taking out what depends on a part of a key, E. F. Codd, “Further Normalization of the Data Base
 * Relational Model”, 1971: the first step of those who go form by form. Lossless.
 */
public final class SecondFormDecomposition {
    private SecondFormDecomposition() { }

    /** The relations in the place of one. */
    public static Decomposition of(Relation relation) {
        int attributes = relation.attributes().size();
        Closure closure = new Closure(attributes, relation.functional());
        List<AttributeSet> open = new ArrayList<>(List.of(relation.all()));
        List<AttributeSet> done = new ArrayList<>();
        List<Split> steps = new ArrayList<>();
        while (!open.isEmpty()) {
            AttributeSet part = open.removeFirst();
            Optional<Functional> fault = fault(part, relation, closure);
            if (fault.isEmpty()) {
                done.add(part);
                continue;
            }
            AttributeSet first = fault.get().determinant().union(fault.get().dependent());
            AttributeSet second = part.minus(fault.get().dependent());
            steps.add(new Split(part, fault.get(), first, second));
            open.addFirst(second);
            open.add(first);
        }
        List<AttributeSet> apart = done.stream().distinct()
                .filter(part -> done.stream().noneMatch(other -> !other.equals(part) && other.containsAll(part)))
                .toList();
        return new Decomposition(relation,
                apart.stream().map(part -> Part.of(part, AttributeSet.none(), relation)).toList(), steps);
    }

    private static Optional<Functional> fault(AttributeSet part, Relation relation, Closure closure) {
        Part judged = Part.of(part, AttributeSet.none(), relation);
        AttributeSet prime = judged.keys().stream().reduce(AttributeSet.none(), AttributeSet::union);
        for (AttributeSet key : judged.keys()) {
            for (int place : key.places()) {
                AttributeSet rest = key.without(place);
                AttributeSet decided = closure.of(rest).intersection(part).minus(prime);
                if (!decided.isEmpty()) {
                    AttributeSet one = AttributeSet.of(decided.smallest());
                    for (int other : rest.places()) {
                        rest = closure.of(rest.without(other)).containsAll(one) ? rest.without(other) : rest;
                    }
                    return Optional
                            .of(new Functional(rest, closure.of(rest).intersection(part).minus(prime).minus(rest)));
                }
            }
        }
        return Optional.empty();
    }
}
