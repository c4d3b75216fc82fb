package entaxis.core.design;

/**
 * Stable opaque identity of an entity.
 *
 * @param value “e” and up to 24 letters or digits
 */
public record EntityId(String value) implements OwnerId {
    /** Checks the shape. */
    public EntityId {
        Ids.check('e', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
