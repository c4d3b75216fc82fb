package entaxis.core.reading;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.TableIndex;

/** What a statement does, apart from the names in it: what each of them names follows from its place in their order. */
sealed interface Deed {
    /** The schema that the table is said to be in; empty if none is said. */
    String namespace();

    /** Adds a key. Names: the table, the key, its columns. */
    record AddsKey(String namespace, boolean primary, int columns) implements Deed { }

    /**
     * Adds a reference. Names: the table, the reference, its columns, the other table, its columns.
     *
     * @param like a reference that was added so
     */
    record AddsReference(String namespace, int columns, String otherNamespace, int referenced, ForeignKey like) implements Deed { }

    /**
     * Adds an index of columns. Names: the index, the table, the columns.
     *
     * @param like an index that was added so
     */
    record AddsIndex(String namespace, TableIndex like) implements Deed { }
}
