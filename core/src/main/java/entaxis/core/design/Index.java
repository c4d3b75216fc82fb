package entaxis.core.design;

import java.util.List;

/**
 * An index that a table gets to find rows faster; it says nothing about the business.
 *
 * @param name   its name; empty for the one that is proposed
 * @param unique whether it also refuses rows with the same values
 * @param parts  what it is made of, in order: an index on (a, b) serves searches on a, and on a and b, not on b alone
 *               (common practice)
 */
public record Index(String name, boolean unique, List<IndexPart> parts) {
    /** Copies the parts. */
    public Index {
        parts = List.copyOf(parts);
    }

    /** An attribute, or all columns that a relationship makes, in rising or falling order. */
    public record IndexPart(KeyPart part, boolean descending) { }
}
