package entaxis.core.design;

import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.type.SqlType;
import java.util.Optional;

/**
 * One fact about each thing of an entity.
 *
 * @param required     whether it must have a value; part of a primary key always must
 * @param defaultValue SQL expression for the value that is taken when none is given
 * @param check        SQL condition that a value must meet
 * @param checkName    name of that condition's constraint; empty for the one that is proposed
 * @param identity     whether the engine numbers it
 * @param numbering    where the numbers start and how they go on; from 1 by 1 if left out
 * @param generated    SQL expression over other attributes of the entity that it is always computed from
 * @param meaning      what it says, in words; may be empty
 * @param example      a value such as it has, for its readers; may be empty
 */
public record Attribute(AttributeId id, String name, SqlType type, boolean required, Optional<String> defaultValue,
        Optional<String> check, String checkName,
        Identity identity, Optional<Numbering> numbering, Optional<String> generated, String meaning, String example)
        implements Member, Elements.Element<AttributeId> {

    /** An attribute that is not computed, whose check has no name of its own and whose numbers begin with 1. */
    public Attribute(AttributeId id, String name, SqlType type, boolean required, Optional<String> defaultValue,
            Optional<String> check, Identity identity,
            String meaning) {
        this(id, name, type, required, defaultValue, check, "", identity, Optional.empty(), Optional.empty(), meaning,
                "");
    }

    /** An attribute without an example. */
    public Attribute(AttributeId id, String name, SqlType type, boolean required, Optional<String> defaultValue,
            Optional<String> check, String checkName, Identity identity,
            Optional<Numbering> numbering, Optional<String> generated, String meaning) {
        this(id, name, type, required, defaultValue, check, checkName, identity, numbering, generated, meaning, "");
    }

    /** A plain optional attribute. */
    public static Attribute of(AttributeId id, String name, SqlType type) {
        return new Attribute(id, name, type, false, Optional.empty(), Optional.empty(), Identity.NONE, "");
    }

    /** The same under another identity, as a copy. */
    public Attribute as(AttributeId copy) {
        return new Attribute(copy, name, type, required, defaultValue, check, checkName, identity, numbering, generated,
                meaning, example);
    }

    /** The same with another name. */
    public Attribute named(String newName) {
        return new Attribute(id, newName, type, required, defaultValue, check, checkName, identity, numbering,
                generated, meaning, example);
    }

    /** The same with another type. */
    public Attribute typed(SqlType newType) {
        return new Attribute(id, name, newType, required, defaultValue, check, checkName, identity, numbering,
                generated, meaning, example);
    }

    /** The same, required or not. */
    public Attribute required(boolean now) {
        return new Attribute(id, name, type, now, defaultValue, check, checkName, identity, numbering, generated,
                meaning, example);
    }

    /** The same with another default or none. */
    public Attribute withDefault(Optional<String> expression) {
        return new Attribute(id, name, type, required, expression, check, checkName, identity, numbering, generated,
                meaning, example);
    }

    /** The same with another check or none. */
    public Attribute withCheck(Optional<String> condition) {
        return withCheck(condition, condition.isPresent() ? checkName : "");
    }

    /** The same with another check of this name. */
    public Attribute withCheck(Optional<String> condition, String ofName) {
        return new Attribute(id, name, type, required, defaultValue, condition, ofName, identity, numbering, generated,
                meaning, example);
    }

    /** The same, numbered by the engine in another way. */
    public Attribute numbered(Identity now) {
        return numbered(now, now == Identity.NONE ? Optional.empty() : numbering);
    }

    /** The same, numbered by the engine in another way with other numbers. */
    public Attribute numbered(Identity now, Optional<Numbering> numbers) {
        return new Attribute(id, name, type, required, defaultValue, check, checkName, now, numbers, generated, meaning,
                example);
    }

    /** The same, computed from others or not. */
    public Attribute computed(Optional<String> expression) {
        return new Attribute(id, name, type, required, defaultValue, check, checkName, identity, numbering, expression,
                meaning, example);
    }

    /** The same with another meaning. */
    public Attribute meaning(String words) {
        return new Attribute(id, name, type, required, defaultValue, check, checkName, identity, numbering, generated,
                words, example);
    }

    /** The same with another example. */
    public Attribute example(String value) {
        return new Attribute(id, name, type, required, defaultValue, check, checkName, identity, numbering, generated,
                meaning, value);
    }
}
