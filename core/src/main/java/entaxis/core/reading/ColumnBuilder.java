package entaxis.core.reading;

import entaxis.core.schema.Column;
import entaxis.core.schema.ColumnDetails;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.type.SqlType;
import entaxis.core.expression.Expression;
import java.util.Optional;

/** A column while statements make and change it. Texts that are empty say that there is none. */
final class ColumnBuilder {
    String name;
    SqlType type;
    boolean required;
    Optional<Expression> defaultValue = Optional.empty();
    Identity identity = Identity.NONE;
    Numbering numbering = Numbering.DEFAULT;
    Optional<Expression> generated = Optional.empty();
    boolean virtual;
    Optional<Expression> onUpdate = Optional.empty();
    String collation = "";
    String comment = "";
    /** Whether the table has it only because one that it inherits from does (PostgreSQL manual, pg_attribute). */
    boolean inherited;
    /**
     * The expression that draws from the sequence that the column owns, where it counts so: what tables like this one
     * take over.
     */
    Optional<Expression> counted = Optional.empty();

    ColumnBuilder(String name, SqlType type) {
        this.name = name;
        this.type = type;
    }

    /** A column of the same kind in another table. */
    ColumnBuilder copy() {
        ColumnBuilder other = new ColumnBuilder(name, type);
        boolean drawn = counted.isPresent();
        other.required = required;
        other.defaultValue = drawn ? counted : defaultValue;
        other.identity = drawn ? Identity.NONE : identity;
        other.numbering = numbering;
        other.generated = generated;
        other.virtual = virtual;
        other.onUpdate = onUpdate;
        other.collation = collation;
        other.comment = comment;
        return other;
    }

    /** The same column of a table that inherits it. */
    ColumnBuilder handedDown() {
        ColumnBuilder other = copy();
        other.comment = "";
        other.inherited = true;
        return other;
    }

    /** The column as it now is. */
    Column done() {
        ColumnDetails details = !virtual && onUpdate.isEmpty() && collation.isEmpty() ? ColumnDetails.NONE
                : new ColumnDetails(virtual, onUpdate, nonEmpty(collation));
        return new Column(name, type, required, defaultValue, identity,
                identity == Identity.NONE || numbering.equals(Numbering.DEFAULT) ? Optional.empty()
                        : Optional.of(numbering),
                generated, details, comment);
    }

    private static Optional<String> nonEmpty(String text) {
        return text.isEmpty() ? Optional.empty() : Optional.of(text);
    }
}
