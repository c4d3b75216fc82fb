package entaxis.core.schema;

import java.util.Locale;
import java.util.Set;

/**
 * A name within a schema of the database (ISO/IEC 9075-2, 5.4, schema qualified name): two tables of one name in two
 * schemas are two tables.
 *
 * @param namespace the schema; empty for the one that the engine puts things into where none is named
 */
public record QualifiedName(String namespace, String name) {
    private static final Set<String> DEFAULT = Set.of("public", "dbo", "main");

    /** A name in the default schema. */
    public static QualifiedName of(String name) {
        return new QualifiedName("", name);
    }

    /** Whether a schema is one that an engine puts things into where none is named. */
    public static boolean isDefaultSchema(String namespace) {
        return DEFAULT.contains(namespace.toLowerCase(Locale.ROOT));
    }

    /** The name as people are told it: with its schema, unless that is the default one. */
    public String label() {
        return namespace.isEmpty() || isDefaultSchema(namespace) ? name : namespace + "." + name;
    }

    /** Another name in the same schema. */
    public QualifiedName named(String newName) {
        return new QualifiedName(namespace, newName);
    }

    /** The same name in another schema. */
    public QualifiedName in(String newNamespace) {
        return new QualifiedName(newNamespace, name);
    }
}
