package entaxis.core.schema;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.ColumnPath;
import entaxis.core.type.SqlType;
import java.util.Optional;

/**
 * A column of a table.
 *
 * @param origin       the attribute that it was derived from, and the relationships that brought it here
 * @param required     whether it refuses null
 * @param defaultValue SQL expression taken when no value is given
 * @param comment      what it says; may be empty
 */
public record Column(Optional<ColumnPath> origin, String name, SqlType type, boolean required, Optional<String> defaultValue, Identity identity,
        String comment) {

    /** Whether a relationship brought it here. */
    public boolean migrated() {
        return origin.map(ColumnPath::migrated).orElse(false);
    }
}
