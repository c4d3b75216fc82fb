package entaxis.core.design;

/**
 * Stable opaque identity of an assumption.
 *
 * @param value “u” and up to 24 letters or digits
 */
public record AssumptionId(String value) {
    /** Checks the shape. */
    public AssumptionId {
        Ids.check('u', value);
    }

    @Override
    public String toString() {
        return value;
    }
}
