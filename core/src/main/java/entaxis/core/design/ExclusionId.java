package entaxis.core.design;

/**
 * Stable opaque identity of an exclusion.
 *
 * @param value “x” and up to 24 letters or digits
 */
public record ExclusionId(String value) {
    /** Checks the shape. */
    public ExclusionId {
        Ids.check('x', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
