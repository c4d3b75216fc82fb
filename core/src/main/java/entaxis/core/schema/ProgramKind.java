package entaxis.core.schema;

/** What a statement that is carried as text creates. */
public enum ProgramKind {
    VIEW("view"), FUNCTION("function"), PROCEDURE("procedure"), TRIGGER("trigger"), PACKAGE("package"), RULE("rule");

    private final String word;

    ProgramKind(String word) {
        this.word = word;
    }

    /** What it is called in a sentence. */
    public String word() {
        return word;
    }
}
