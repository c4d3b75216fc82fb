package entaxis.core.reading;

import entaxis.core.expression.Expression;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.QualifiedName;
import java.util.Optional;

/** Takes defaults of columns; one that draws from a sequence of the column's own is an identity. */
final class ColumnDefaults {
    private final SchemaBuilder builder;

    ColumnDefaults(SchemaBuilder builder) {
        this.builder = builder;
    }

    /** Takes a default; one that draws from a sequence of the column's own is an identity. */
    void setDefault(ColumnBuilder column, Expression given) {
        String expression = given.text();
        column.defaultValue = expression.equalsIgnoreCase("null") ? Optional.empty() : Optional.of(given);
        int call = expression.indexOf('(');
        if (call < 0 || expression.length() < 9 || !expression.regionMatches(true, 0, "nextval", 0, 7)
                && !expression.regionMatches(true, 0, "pg_catalog.nextval", 0, 18)) {
            return;
        }
        int quote = expression.indexOf('\'', call);
        int close = quote < 0 ? -1 : expression.indexOf('\'', quote + 1);
        if (close < 0) {
            return;
        }
        sequenceNamed(expression.substring(quote + 1, close))
                .filter(sequence -> sequence.column().filter(owner -> owner == column).isPresent())
                .ifPresent(sequence -> counts(column, sequence));
    }

    /** The sequence that a text names, with or without its schema. */
    Optional<SchemaBuilder.ReadSequence> sequenceNamed(String text) {
        int point = text.lastIndexOf('.');
        QualifiedName name = new QualifiedName(point < 0 ? "" : text.substring(0, point).replace("\"", ""),
                text.substring(point + 1).replace("\"", ""));
        return builder.sequence(name);
    }

    /** Makes a column count by itself with a sequence that it owns. */
    void counts(ColumnBuilder column, SchemaBuilder.ReadSequence sequence) {
        column.counted = column.defaultValue;
        column.defaultValue = Optional.empty();
        column.identity = Identity.BY_DEFAULT;
        column.numbering = new Numbering(sequence.start(), sequence.step());
    }
}
