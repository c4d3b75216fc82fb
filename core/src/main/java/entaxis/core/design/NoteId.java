package entaxis.core.design;

/**
 * Stable opaque identity of a note on a sheet.
 *
 * @param value “n” and up to 24 letters or digits
 */
public record NoteId(String value) {
    /** Checks the shape. */
    public NoteId {
        Ids.check('n', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
