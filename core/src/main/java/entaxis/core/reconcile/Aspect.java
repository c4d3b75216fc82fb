package entaxis.core.reconcile;

/** In what two parts can differ. */
public enum Aspect {
    /** Only one side has it. */
    PRESENCE("is there"), NAME("name"), TYPE("type"), REQUIRED("required"), DEFAULT("default"), IDENTITY("numbering"),
    COMPUTED("computed"), ON_CHANGE("set at each change"),
    COLLATION("collation"), ORDER("order of columns"), COMMENT("comment"),
    /** Which tables it inherits from, or which partition it is of which. */
    HIERARCHY("parent table"),
    /** Who may use it. */
    PRIVILEGES("privileges"),
    /**
     * What it consists of: the columns of a key, the condition of a check, the values of an enumeration, the text of a
     * view.
     */
    DEFINITION("definition");

    private final String word;

    Aspect(String word) {
        this.word = word;
    }

    /** What it is called. */
    public String word() {
        return word;
    }
}
