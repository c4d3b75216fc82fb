package entaxis.core.dependency;

/** One attribute set deciding about another. */
public sealed interface Dependency {
    /** The attributes that decide. */
    AttributeSet determinant();

    /** The attributes that are decided about. */
    AttributeSet dependent();

    /**
     * Rows that agree in the determinant agree in the dependents (Codd 1971).
     *
     * @param determinant may be empty: then every row has the same dependents
     */
    record Functional(AttributeSet determinant, AttributeSet dependent) implements Dependency {
        /** Whether it holds in any relation: each dependent is among the determinants. */
        public boolean trivial() {
            return determinant.containsAll(dependent);
        }
    }

    /**
     * For each value of the determinant there is a set of values of the dependents, whatever the other attributes hold
     * (Fagin 1977).
     */
    record Multivalued(AttributeSet determinant, AttributeSet dependent) implements Dependency {
        /**
         * Whether it holds in any relation over these attributes: nothing else is decided about, or nothing else is
         * left.
         */
        public boolean trivial(AttributeSet all) {
            return determinant.containsAll(dependent) || determinant.union(dependent).containsAll(all);
        }
    }
}
