package entaxis.core.design;

/**
 * Stable opaque identity of a sample row.
 *
 * @param value “w” and up to 24 letters or digits
 */
public record RowId(String value) {
    /** Checks the shape. */
    public RowId {
        Ids.check('w', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
