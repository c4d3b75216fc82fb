package entaxis.core.schema;

import entaxis.core.expression.Expression;
import entaxis.core.type.SqlType;
import java.util.Optional;

/**
 * A column of a table. {@link #of} makes one, and each other method gives it one thing.
 *
 * @param required     whether it refuses null
 * @param defaultValue what is taken when no value is given
 * @param numbering    the numbers of an identity; from 1 by 1 if left out
 * @param generated    what it is always computed from
 * @param details      what only some columns have
 * @param comment      what it says; may be empty
 */
public record Column(String name, SqlType type, boolean required,
        Optional<Expression> defaultValue, Identity identity,
        Optional<Numbering> numbering, Optional<Expression> generated, ColumnDetails details, String comment)
        implements TablePart {

    /** A column that takes every value of a type, and null. */
    public static Column of(String name, SqlType type) {
        return new Column(name, type, false, Optional.empty(), Identity.NONE, Optional.empty(),
                Optional.empty(), ColumnDetails.NONE, "");
    }

    /** This column with another type. */
    public Column withType(SqlType newType) {
        return newType == type ? this : new Column(name, newType, required, defaultValue, identity, numbering,
                generated, details, comment);
    }

    /** This column with another default. */
    public Column withDefault(Optional<Expression> newDefault) {
        return newDefault.equals(defaultValue) ? this : new Column(name, type, required, newDefault, identity,
                numbering, generated, details, comment);
    }

    /** This column with other automatic numbers. */
    public Column withIdentity(Identity newIdentity, Optional<Numbering> newNumbering) {
        return new Column(name, type, required, defaultValue, newIdentity, newNumbering, generated, details,
                comment);
    }

    /** This column computed from another expression. */
    public Column withGenerated(Optional<Expression> newGenerated) {
        return newGenerated.equals(generated) ? this : new Column(name, type, required, defaultValue, identity,
                numbering, newGenerated, details, comment);
    }

    /** This column with other details. */
    public Column with(ColumnDetails newDetails) {
        return newDetails == details ? this : new Column(name, type, required, defaultValue, identity,
                numbering, generated, newDetails, comment);
    }

    /** This column under another name. */
    public Column named(String newName) {
        return new Column(newName, type, required, defaultValue, identity, numbering, generated, details,
                comment);
    }

    /** This column, refusing null or not. */
    public Column withRequired(boolean newRequired) {
        return newRequired == required ? this : new Column(name, type, newRequired, defaultValue, identity,
                numbering, generated, details, comment);
    }

    /** This column with another comment. */
    public Column withComment(String newComment) {
        return new Column(name, type, required, defaultValue, identity, numbering, generated, details,
                newComment);
    }
}
