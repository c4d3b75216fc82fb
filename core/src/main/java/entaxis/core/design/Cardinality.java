package entaxis.core.design;

/**
 * How many of one end's entity go with one of the other's.
 *
 * @param min 0 or more
 * @param max 1 or more; {@link #MANY} when there is no limit
 */
public record Cardinality(int min, int max) {
    /** No upper limit. */
    public static final int MANY = Integer.MAX_VALUE;
    public static final Cardinality EXACTLY_ONE = new Cardinality(1, 1);
    public static final Cardinality ZERO_OR_ONE = new Cardinality(0, 1);
    public static final Cardinality ONE_OR_MORE = new Cardinality(1, MANY);
    public static final Cardinality ZERO_OR_MORE = new Cardinality(0, MANY);

    /**
     * Checks the bounds.
     *
     * @throws IllegalArgumentException if the maximum is below 1 or below the minimum
     */
    public Cardinality {
        if (min < 0 || max < 1 || max < min) {
            throw new IllegalArgumentException("from " + min + " to " + max);
        }
    }

    /** Whether more than one is possible. */
    public boolean many() {
        return max > 1;
    }

    /** Whether none is possible. */
    public boolean optional() {
        return min == 0;
    }
}
