package entaxis.core.syntax;

/** How an engine names what a script leaves without a name. */
public sealed interface ImpliedName {
    /** What may be left without a name. */
    enum Named { PRIMARY_KEY, UNIQUE_KEY, INDEX, EXCLUSION, FOREIGN_KEY, CHECK, SEQUENCE, DOMAIN_CHECK }

    /** It makes up a number, so that the name says nothing, or gives none. */
    record None() implements ImpliedName { }

    /** Always the same name. */
    record Fixed(String name) implements ImpliedName { }

    /**
     * The table, the columns and a word, cut to a length and numbered where the schema has the name.
     *
     * @param label     the word at the end
     * @param maxLength the longest name, in bytes of UTF-8
     */
    record Joined(String label, int maxLength) implements ImpliedName { }

    /** The first column, numbered where the table has the name. */
    record FirstColumn() implements ImpliedName { }

    /**
     * A word and the number of such constraints of the table.
     *
     * @param afterTable whether the name of the table stands before the word
     */
    record Counted(boolean afterTable, String word) implements ImpliedName { }

    /** The column that it stands with; what else says for one that stands apart. */
    record OwnColumn(ImpliedName otherwise) implements ImpliedName { }
}
