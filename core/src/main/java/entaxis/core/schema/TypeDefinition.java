package entaxis.core.schema;

import entaxis.core.type.SqlType;
import java.util.List;
import java.util.Optional;

/** A type that is created in the schema, before the tables that use it. */
public sealed interface TypeDefinition {
    /** Its name. */
    String name();

    /** What it is for; may be empty. */
    String comment();

    /**
     * A domain (ISO/IEC 9075-2, 11.34).
     *
     * @param check a rule in which {@code VALUE} stands for the value
     */
    record DomainDefinition(String name, SqlType base, Optional<String> defaultValue, Optional<CheckRule> check, String comment) implements TypeDefinition { }

    /** A type with listed values. */
    record EnumDefinition(String name, List<String> values, String comment) implements TypeDefinition {
        /** Copies the values. */
        public EnumDefinition {
            values = List.copyOf(values);
        }
    }

    /** A type with named fields. */
    record StructureDefinition(String name, List<FieldDefinition> fields, String comment) implements TypeDefinition {
        /** Copies the fields. */
        public StructureDefinition {
            fields = List.copyOf(fields);
        }
    }

    /** One field of a structured type. */
    record FieldDefinition(String name, SqlType type) { }
}
