package entaxis.core.design;

/**
 * Stable opaque identity of a subject area.
 *
 * @param value “s” and up to 24 letters or digits
 */
public record AreaId(String value) {
    /** Checks the shape. */
    public AreaId {
        Ids.check('s', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
