package entaxis.core.design;

/**
 * Stable opaque identity of a category.
 *
 * @param value “c” and up to 24 letters or digits
 */
public record CategoryId(String value) {
    /** Checks the shape. */
    public CategoryId {
        Ids.check('c', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
