package entaxis.core.reverse;

import entaxis.core.schema.QualifiedName;
import java.util.List;

/**
 * A reference that exists only by name: a column that is called like the key of another table, without a foreign key.
 *
 * @param table           the label of the table that has the column
 * @param referencedTable the table that it refers to
 * @param reasons         what speaks for it, in words
 */
public record Proposal(String table, String column, QualifiedName referencedTable, String referencedColumn,
        List<String> reasons) {
    /** Copies the reasons. */
    public Proposal {
        reasons = List.copyOf(reasons);
    }

    /** What identifies it among others. */
    public String id() {
        return table + "." + column + ">" + referencedTable.label();
    }
}
