package entaxis.core.schema;

/**
 * Something that is carried as the text it was written in: it is kept and given back, but not looked into.
 *
 * @param namespace the schema that it was put into; empty for the usual one
 * @param text      the statement that creates it, without the sign that ends it
 */
public record Program(Kind kind, String namespace, String name, String text) {

    /** What a text creates. */
    public enum Kind {
        VIEW("view"), FUNCTION("function"), PROCEDURE("procedure"), TRIGGER("trigger"), PACKAGE("package"), RULE("rule");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        /** What it is called in a sentence. */
        public String word() {
            return word;
        }
    }
}
