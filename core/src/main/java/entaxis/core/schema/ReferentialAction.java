package entaxis.core.schema;

/** What happens to the rows that refer to a row when that row is deleted or its key changes (ISO/IEC 9075-2, 11.8). */
public enum ReferentialAction {
    NO_ACTION("refuse", "NO ACTION"), RESTRICT("refuse at once", "RESTRICT"), CASCADE("carry along", "CASCADE"),
    SET_NULL("set to no value", "SET NULL"),
    SET_DEFAULT("set to the default", "SET DEFAULT");

    private final String words;
    private final String sql;

    ReferentialAction(String words, String sql) {
        this.words = words;
        this.sql = sql;
    }

    /** In plain words. */
    public String words() {
        return words;
    }

    /** As SQL writes it. */
    public String sql() {
        return sql;
    }
}
