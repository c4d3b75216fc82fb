package entaxis.core.design;

import entaxis.core.type.SqlType;
import java.util.List;

/**
 * A type made of named fields (ISO/IEC 9075-2, 4.8, row types and structured types).
 *
 * @param fields its fields, in order
 */
public record Structure(TypeId id, String name, List<Field> fields, String meaning) implements NamedType {
    /** Copies the fields. */
    public Structure {
        fields = List.copyOf(fields);
    }

    /** One field. */
    public record Field(String name, SqlType type) { }
}
