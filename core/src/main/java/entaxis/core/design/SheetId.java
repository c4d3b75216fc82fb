package entaxis.core.design;

/**
 * Stable opaque identity of a sheet.
 *
 * @param value “p” and up to 24 letters or digits
 */
public record SheetId(String value) {
    /** Checks the shape. */
    public SheetId {
        Ids.check('p', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
