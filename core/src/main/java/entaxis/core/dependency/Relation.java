package entaxis.core.dependency;

import entaxis.core.dependency.Dependency.Functional;
import entaxis.core.dependency.Dependency.Multivalued;
import java.util.List;
import java.util.stream.Collectors;

/**
 * A relation and what is known to hold in it.
 *
 * @param attributes names in order; sets speak of them by place
 */
public record Relation(String name, List<String> attributes, List<Functional> functional,
        List<Multivalued> multivalued) {
    /** Copies the lists. */
    public Relation {
        attributes = List.copyOf(attributes);
        functional = List.copyOf(functional);
        multivalued = List.copyOf(multivalued);
    }

    /** All attributes. */
    public AttributeSet all() {
        return AttributeSet.first(attributes.size());
    }

    /** Attributes by name, separated by commas, in the relation's order. */
    public String text(AttributeSet set) {
        return set.members().stream().map(attributes::get).collect(Collectors.joining(", "));
    }

    /** A dependency in textbook notation. */
    public String text(Dependency dependency) {
        return switch (dependency) {
            case Functional(var determinant, var dependent) -> text(determinant) + " -> " + text(dependent);
            case Multivalued(var determinant, var dependent) -> text(determinant) + " ->> " + text(dependent);
        };
    }
}
