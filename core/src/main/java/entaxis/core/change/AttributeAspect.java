package entaxis.core.change;

import entaxis.core.design.Attribute;
import entaxis.core.type.SqlType;
import java.util.Optional;

/** One thing about an attribute that can be changed by itself, so that edits of different things never collide. */
public sealed interface AttributeAspect {
    record Name(String name) implements AttributeAspect { }

    record Type(SqlType type) implements AttributeAspect { }

    record Required(boolean required) implements AttributeAspect { }

    record Default(Optional<String> expression) implements AttributeAspect { }

    record Check(Optional<String> condition) implements AttributeAspect { }

    record Numbered(Attribute.Identity identity) implements AttributeAspect { }

    record Meaning(String words) implements AttributeAspect { }
}
