package entaxis.core.sql;

import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.type.SqlType;
import java.util.Optional;

/** An attribute as one line says it, written as SQL writes a column definition. */
public record AttributeLine(String name, SqlType type, boolean required, Optional<String> defaultValue,
        Optional<String> check, String checkName,
        Identity identity, Optional<Numbering> numbering, Optional<String> generated,
        boolean primaryKey, boolean unique, String meaning) {

    /** The attribute that the line describes. */
    public Attribute attribute(AttributeId id) {
        return new Attribute(id, name, type, required, defaultValue, check, checkName, identity, numbering, generated,
                meaning);
    }

    /** What came of reading a line. */
    public sealed interface Reading { }

    /** The line says this. */
    public record Understood(AttributeLine line) implements Reading { }

    /**
     * The line is not a column definition.
     *
     * @param line    number of the line, from 1
     * @param column  number of the character at which it stops being one, from 1
     * @param message what is wrong there and what to write
     */
    public record Fault(int line, int column, String message) implements Reading { }
}
