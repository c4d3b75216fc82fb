package entaxis.core.statement;

import java.util.List;

/** Clauses for a column that a table has already, as a partition or as a table of a type. */
public record ColumnRefinement(String name, int place, List<ColumnClause> clauses) implements TableElement {
    /** Copies the clauses. */
    public ColumnRefinement {
        clauses = List.copyOf(clauses);
    }
}
