package entaxis.core.design;

/** Published ways to draw relationships. */
public enum Notation {
    CROWS_FOOT("Crow's foot"), IDEF1X("IDEF1X (FIPS PUB 184)"), CHEN("Chen (1976)"), UML("UML class (ISO/IEC 19505)"),
    MIN_MAX("Min-max pairs");

    private final String title;

    Notation(String title) {
        this.title = title;
    }

    /** The name that people know it by. */
    public String title() {
        return title;
    }
}
