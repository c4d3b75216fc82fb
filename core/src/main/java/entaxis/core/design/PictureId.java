package entaxis.core.design;

/**
 * Stable opaque identity of a picture on a sheet.
 *
 * @param value “i” and up to 24 letters or digits
 */
public record PictureId(String value) {
    /** Checks the shape. */
    public PictureId {
        Ids.check('i', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
