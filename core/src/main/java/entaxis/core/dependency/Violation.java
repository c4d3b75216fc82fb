package entaxis.core.dependency;

/**
 * A dependency that keeps a relation from a normal form.
 *
 * @param form the lowest form that it keeps the relation from
 */
public record Violation(NormalForm form, Kind kind, Dependency dependency) {
    /** What is wrong with it. */
    public enum Kind {
        PARTIAL("partial", "part of the key"), TRANSITIVE("transitive", "by way of"),
        PART_OF_KEY("part-of-key", "decides part of a key"),
        INDEPENDENT("independent", "many-valued");

        private final String word;
        private final String label;

        Kind(String word, String label) {
            this.word = word;
            this.label = label;
        }

        /** One word for it. */
        public String word() {
            return word;
        }

        /** How a drawing marks it. */
        public String label() {
            return label;
        }
    }

    /** Why it is a fault, in one sentence that names the attributes. */
    public String why(Relation relation) {
        String determinant = relation.text(dependency.determinant());
        String dependent = relation.text(dependency.dependent());
        boolean one = dependency.determinant().size() == 1;
        String decide = one ? " decides " : " decide ";
        return switch (kind) {
            case PARTIAL ->
                    dependency.determinant().isEmpty() ? dependent + " is the same in every row, whatever the key."
                            : determinant + ", only a part of a key," + decide + dependent
                                    + " already: it is repeated in every row with the same " + determinant + ".";
            case TRANSITIVE -> determinant + (one ? ", which is no key," : ", which are no key,") + decide + dependent
                    + ": it follows from the key only by way of " + determinant + ".";
            case PART_OF_KEY -> determinant + (one ? ", which is no key," : ", which are no key,") + decide + dependent
                    + ", which is part of a key.";
            case INDEPENDENT ->
                    "For each " + (determinant.isEmpty() ? "relation" : determinant) + " there are many " + dependent
                    + " whatever the other attributes are: every combination has to be stored.";
        };
    }
}
