package entaxis.core.design;



/**
 * Stable opaque identity of something carried along.
 *
 * @param value “v” and up to 24 letters or digits
 */
public record OpaqueId(String value) {
    /** Checks the shape. */
    public OpaqueId {
        Ids.check('v', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
