package entaxis.core.schema;

import entaxis.core.expression.Expression;
import java.util.Optional;

/**
 * What only some columns have.
 *
 * @param virtual   whether a computed column is computed at each reading rather than stored
 * @param onUpdate  what it takes when a row is changed (MySQL manual, “Automatic Initialization and
 *                  Updating for TIMESTAMP and DATETIME”)
 * @param collation the order that its texts are compared in, as the engine names it
 */
public record ColumnDetails(boolean virtual, Optional<Expression> onUpdate, Optional<String> collation) {
    /** Nothing out of the ordinary. */
    public static final ColumnDetails NONE = new ColumnDetails(false, Optional.empty(), Optional.empty());

    /** The same, computed at each reading or stored. */
    public ColumnDetails computedAtReading(boolean newVirtual) {
        return new ColumnDetails(newVirtual, onUpdate, collation);
    }

    /** The same with another expression that is taken when a row is changed. */
    public ColumnDetails withOnUpdate(Optional<Expression> newOnUpdate) {
        return new ColumnDetails(virtual, newOnUpdate, collation);
    }

    /** The same in another order. */
    public ColumnDetails withCollation(Optional<String> newCollation) {
        return new ColumnDetails(virtual, onUpdate, newCollation);
    }
}
