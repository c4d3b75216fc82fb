package entaxis.core.reconcile;

/** The parts of a schema that can differ. */
public enum SchemaPart {
    TYPE("type"), SEQUENCE("sequence"), TABLE("table"), COLUMN("column"), PRIMARY_KEY("primary key"),
    UNIQUE("unique key"), CHECK("check"), FOREIGN_KEY("foreign key"), INDEX("index"),
    PROGRAM("view or routine");

    private final String word;

    SchemaPart(String word) {
        this.word = word;
    }

    /** What it is called. */
    public String word() {
        return word;
    }
}
