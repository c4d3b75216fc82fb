package entaxis.core.design;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Where a column of a table comes from: an attribute, reached over the relationships that migrated it, nearest first.
 * Stable under renaming.
 */
public record ColumnPath(List<Hop> hops, AttributeId attribute) {

    /** One migration: over a relationship, from the parent at this side of it. */
    public record Hop(RelationshipId relationship, Side parent) { }

    /** Copies the hops. */
    public ColumnPath {
        hops = List.copyOf(hops);
    }

    /** An own attribute. */
    public static ColumnPath own(AttributeId attribute) {
        return new ColumnPath(List.of(), attribute);
    }

    /** This column as it arrives in a child. */
    public ColumnPath over(RelationshipId relationship, Side parent) {
        return new ColumnPath(Stream.concat(Stream.of(new Hop(relationship, parent)), hops.stream()).toList(),
                attribute);
    }

    /** A migrated column as the parent that it was migrated from has it. */
    public ColumnPath inParent() {
        return new ColumnPath(hops.subList(1, hops.size()), attribute);
    }

    /** The part of a key or an index that has this column: an own attribute, or all that a relationship brings. */
    public KeyPart part() {
        return migrated() ? new KeyPart.InheritedPart(hops.getFirst().relationship()) : new KeyPart.OwnPart(attribute);
    }

    /** Whether it was migrated by a relationship. */
    public boolean migrated() {
        return !hops.isEmpty();
    }

    /**
     * Reads what {@link #toString()} wrote.
     *
     * @throws IllegalArgumentException if it is not of that form
     */
    public static ColumnPath of(String text) {
        String[] parts = text.split("\\.", -1);
        List<Hop> hops = Arrays.stream(parts, 0, parts.length - 1).map(ColumnPath::hop).toList();
        return new ColumnPath(hops, new AttributeId(parts[parts.length - 1]));
    }

    private static Hop hop(String text) {
        if (!text.endsWith("+") && !text.endsWith("-")) {
            throw new IllegalArgumentException("“" + text + "” names no end of a relationship");
        }
        return new Hop(new RelationshipId(text.substring(0, text.length() - 1)),
                text.endsWith("+") ? Side.FIRST : Side.SECOND);
    }

    /**
     * Compact text: relationship identities with + for the first and - for the second end as parent, then the
     * attribute, joined by dots.
     */
    @Override
    public String toString() {
        return hops.stream().map(hop -> hop.relationship().value() + (hop.parent() == Side.FIRST ? "+" : "-") + ".")
                .collect(Collectors.joining())
                + attribute.value();
    }
}
