package entaxis.core.design;

import java.util.List;

/**
 * A type of which all values are listed.
 *
 * @param values the values, in their order
 */
public record Enumeration(TypeId id, String name, List<String> values, String meaning) implements NamedType {
    /** Copies the values. */
    public Enumeration {
        values = List.copyOf(values);
    }
}
