package entaxis.core.design;

/** One part of a key: an attribute of the entity, or all columns that a relationship makes in it. */
public sealed interface KeyPart {
    /** An attribute of the entity itself. */
    record OwnPart(AttributeId attribute) implements KeyPart { }

    /** The parent's key; in a primary key this makes the relationship an identifying one (FIPS PUB 184). */
    record InheritedPart(RelationshipId relationship) implements KeyPart { }
}
