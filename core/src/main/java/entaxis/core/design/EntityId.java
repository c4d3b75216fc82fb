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

    /** That of the text, which keeps it: identities are looked up all the time. */
    @Override
    public int hashCode() {
        return value.hashCode();
    }

    @Override
    public String toString() {
        return value;
    }
}
