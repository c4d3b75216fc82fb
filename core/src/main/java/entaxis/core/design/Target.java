package entaxis.core.design;

/** The engine that a design's tables are meant for. */
public enum Target {
    POSTGRESQL("PostgreSQL"), H2("H2");

    private final String title;

    Target(String title) {
        this.title = title;
    }

    /** The engine's name as people write it. */
    public String title() {
        return title;
    }
}
