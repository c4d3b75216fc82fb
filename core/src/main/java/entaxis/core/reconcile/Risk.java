package entaxis.core.reconcile;

/** What a change can do to a database with rows in it, mildest first. */
public enum Risk {
    /** Quick, and no row is touched. */
    SAFE("safe"),
    /** Rewrites or locks a large table. */
    SLOW("slow"),
    /** The rows that are there may not allow it. */
    MAY_FAIL("may fail"),
    /** Values are gone afterwards. */
    LOSES_DATA("loses data");

    private final String word;

    Risk(String word) {
        this.word = word;
    }

    /** What it is called. */
    public String word() {
        return word;
    }

    /** The graver of two. */
    public Risk or(Risk other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
