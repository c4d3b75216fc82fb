package entaxis.core.design;

/**
 * Stable opaque identity of a type with a name.
 *
 * @param value “t” and up to 24 letters or digits
 */
public record TypeId(String value) {
    /** Checks the shape. */
    public TypeId {
        Ids.check('t', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
