package entaxis.core.statement;

import entaxis.core.expression.Expression;
import entaxis.core.schema.TableIndex.IndexColumn;
import java.util.List;
import java.util.Optional;

/**
 * An index as it is defined.
 *
 * @param name      empty where none is given
 * @param method    the engine's kind of index; empty for the usual one
 * @param predicate which rows it covers; all, if left out
 * @param included  columns that it holds without being ordered by them
 */
public record IndexDefinition(String name, boolean unique, List<IndexColumn> columns, String method,
        Optional<Expression> predicate, List<String> included) {
    /** Copies the lists. */
    public IndexDefinition {
        columns = List.copyOf(columns);
        included = List.copyOf(included);
    }
}
