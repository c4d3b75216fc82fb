package entaxis.core.design;

/** One of the two ends of a relationship. */
public enum Side {
    FIRST, SECOND;

    /** The other end. */
    public Side other() {
        return this == FIRST ? SECOND : FIRST;
    }
}
