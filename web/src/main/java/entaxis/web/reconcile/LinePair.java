package entaxis.web.reconcile;

/**
 * A line of one text beside the line of another that stands in its place.
 *
 * @param from empty where the other text has a line more
 * @param to   empty where the first text has a line more
 */
public record LinePair(Kind kind, String from, String to) {
    /** How the two are. */
    public enum Kind {
        /** The same. */
        SAME(""),
        /** Different. */
        CHANGED("≠"),
        /** Only in the second text. */
        ADDED("+"),
        /** Only in the first text. */
        REMOVED("−"),
        /** Left out: lines that are the same, far from any other; the first text says how many. */
        SKIPPED("");

        private final String sign;

        Kind(String sign) {
            this.sign = sign;
        }

        /** A sign for it. */
        public String sign() {
            return sign;
        }
    }
}
