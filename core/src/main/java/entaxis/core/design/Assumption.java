package entaxis.core.design;

/**
 * A decision that nobody had settled, pinned to the end of the relationship that it decided.
 *
 * @param number the number by which people speak of it, unique in the design
 */
public record Assumption(AssumptionId id, int number, RelationshipId relationship, Side side, String text)
        implements Elements.Element<AssumptionId> { }
