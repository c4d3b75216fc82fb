package entaxis.core.schema;

import entaxis.core.design.Attribute.Identity;
import entaxis.core.design.Attribute.Numbering;
import entaxis.core.design.ColumnPath;
import entaxis.core.type.SqlType;
import java.util.Optional;

/**
 * A column of a table.
 *
 * @param origin       the attribute that it was derived from, and the relationships that brought it here
 * @param required     whether it refuses null
 * @param defaultValue SQL expression taken when no value is given
 * @param numbering    the numbers of an identity; from 1 by 1 if left out
 * @param generated    SQL expression that it is always computed from
 * @param comment      what it says; may be empty
 */
public record Column(Optional<ColumnPath> origin, String name, SqlType type, boolean required, Optional<String> defaultValue, Identity identity,
        Optional<Numbering> numbering, Optional<String> generated, String comment) {

    /** A column that is not computed. */
    public Column(Optional<ColumnPath> origin, String name, SqlType type, boolean required, Optional<String> defaultValue, Identity identity, String comment) {
        this(origin, name, type, required, defaultValue, identity, Optional.empty(), Optional.empty(), comment);
    }

    /** Whether a relationship brought it here. */
    public boolean migrated() {
        return origin.map(ColumnPath::migrated).orElse(false);
    }
}
