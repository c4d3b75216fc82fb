package entaxis.core.design;

/** Identity of what can have attributes, a table and a place on a sheet: an entity, or a many-to-many relationship. */
public sealed interface OwnerId permits EntityId, RelationshipId {
    /** The identifier as text; its first letter tells the kind. */
    String value();

    /**
     * Reads an identifier of either kind.
     *
     * @throws IllegalArgumentException if it is neither
     */
    static OwnerId of(String value) {
        return value.startsWith("e") ? new EntityId(value) : new RelationshipId(value);
    }
}
