package entaxis.core.review;

/** What a rule rests on. */
public enum Basis {
    /** The theory of relations. */
    THEORY("theory"),
    /** What a standard or an engine's manual says. */
    MANUAL("standard or manual"),
    /** What the trade does. */
    PRACTICE("common practice");

    private final String words;

    Basis(String words) {
        this.words = words;
    }

    /** In a few words. */
    public String words() {
        return words;
    }
}
