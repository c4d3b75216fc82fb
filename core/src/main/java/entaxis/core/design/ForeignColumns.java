package entaxis.core.design;

/** The place among an entity's attributes where the columns of a relationship stand; without one they come last. */
public record ForeignColumns(RelationshipId relationship) implements Member { }
