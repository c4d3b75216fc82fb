package entaxis.core.design;

/**
 * Stable opaque identity of a relationship.
 *
 * @param value “r” and up to 24 letters or digits
 */
public record RelationshipId(String value) implements OwnerId {
    /** Checks the shape. */
    public RelationshipId {
        Ids.check('r', value);
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
