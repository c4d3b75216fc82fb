package entaxis.core.design;

/**
 * Stable opaque identity of an attribute.
 *
 * @param value “a” and up to 24 letters or digits
 */
public record AttributeId(String value) {
    /** Checks the shape. */
    public AttributeId {
        Ids.check('a', value);
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
