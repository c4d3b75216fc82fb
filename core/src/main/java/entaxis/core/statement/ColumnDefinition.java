package entaxis.core.statement;

import java.util.List;
import java.util.Optional;

/**
 * A column with its type and clauses (ISO/IEC 9075-2, 11.4).
 *
 * @param place   where its name stands
 * @param type    left out where it follows from an expression or the engine needs none
 * @param serial  whether the type is written SERIAL where that makes a column that counts and is unique
 * @param clauses in order
 */
public record ColumnDefinition(String name, int place, Optional<TypeName> type, boolean serial,
        List<ColumnClause> clauses) implements TableElement {
    /** Copies the clauses. */
    public ColumnDefinition {
        clauses = List.copyOf(clauses);
    }
}
