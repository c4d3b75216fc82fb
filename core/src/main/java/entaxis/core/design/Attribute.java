package entaxis.core.design;

import entaxis.core.type.SqlType;
import java.util.Optional;

/**
 * One fact about each thing of an entity.
 *
 * @param required     whether it must have a value; part of a primary key always must
 * @param defaultValue SQL expression for the value that is taken when none is given
 * @param check        SQL condition that a value must meet
 * @param identity     whether the engine numbers it
 * @param meaning      what it says, in words; may be empty
 */
public record Attribute(AttributeId id, String name, SqlType type, boolean required, Optional<String> defaultValue, Optional<String> check,
        Identity identity, String meaning) implements Member, Elements.Element<AttributeId> {

    /** Whether and how the engine generates the value (ISO/IEC 9075-2, 11.4, identity column specification). */
    public enum Identity { NONE, BY_DEFAULT, ALWAYS }

    /** A plain optional attribute. */
    public static Attribute of(AttributeId id, String name, SqlType type) {
        return new Attribute(id, name, type, false, Optional.empty(), Optional.empty(), Identity.NONE, "");
    }

    /** The same with another name. */
    public Attribute named(String newName) {
        return new Attribute(id, newName, type, required, defaultValue, check, identity, meaning);
    }

    /** The same with another type. */
    public Attribute typed(SqlType newType) {
        return new Attribute(id, name, newType, required, defaultValue, check, identity, meaning);
    }

    /** The same, required or not. */
    public Attribute required(boolean now) {
        return new Attribute(id, name, type, now, defaultValue, check, identity, meaning);
    }

    /** The same with another default or none. */
    public Attribute withDefault(Optional<String> expression) {
        return new Attribute(id, name, type, required, expression, check, identity, meaning);
    }

    /** The same with another check or none. */
    public Attribute withCheck(Optional<String> condition) {
        return new Attribute(id, name, type, required, defaultValue, condition, identity, meaning);
    }

    /** The same, numbered by the engine in another way. */
    public Attribute numbered(Identity now) {
        return new Attribute(id, name, type, required, defaultValue, check, now, meaning);
    }

    /** The same with another meaning. */
    public Attribute meaning(String words) {
        return new Attribute(id, name, type, required, defaultValue, check, identity, words);
    }
}
