package entaxis.core.statement;

import java.util.List;

/**
 * ALTER TABLE (ISO/IEC 9075-2, 11.10).
 *
 * @param ifExists whether nothing is to be done where there is no such table
 * @param only     whether tables that inherit from it are left alone
 * @param actions  in order
 */
public record AlterTable(PlacedName name, boolean ifExists, boolean only, List<AlterTableAction> actions)
        implements Statement {
    /** Copies the actions. */
    public AlterTable {
        actions = List.copyOf(actions);
    }
}
