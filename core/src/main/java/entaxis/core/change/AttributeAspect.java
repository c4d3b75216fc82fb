package entaxis.core.change;

import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.type.SqlType;
import java.util.Optional;

/** One thing about an attribute that can be changed by itself, so that edits of different things never collide. */
public sealed interface AttributeAspect {
    /** What it is called. */
    record Name(String name) implements AttributeAspect { }

    /** The type of its values. */
    record Type(SqlType type) implements AttributeAspect { }

    /** Whether each row must have a value. */
    record Required(boolean required) implements AttributeAspect { }

    /** The expression that gives the value where none is said, or none. */
    record Default(Optional<String> expression) implements AttributeAspect { }

    /** A condition on each value, or none. */
    record Check(Optional<String> condition) implements AttributeAspect { }

    /** A check whose constraint has a name; an empty name leaves it to be proposed. */
    record CheckAs(String name, Optional<String> condition) implements AttributeAspect { }

    /** How the engine numbers it. */
    record Numbered(Identity identity) implements AttributeAspect { }

    /** How the engine numbers it, and with which numbers. */
    record Numbers(Identity identity, Optional<Numbering> numbering) implements AttributeAspect { }

    /** The expression that it is always computed from, or none. */
    record Generated(Optional<String> expression) implements AttributeAspect { }

    /** What it means, in words. */
    record Meaning(String words) implements AttributeAspect { }

    /** A value such as it has, for readers of the dictionary. */
    record Example(String value) implements AttributeAspect { }
}
