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
    private static final String QUOTE = "\"";
    private static final Set<String> DEFAULT = Set.of("public", "dbo", "main");

    /** A name in the default schema. */
    public static QualifiedName of(String name) {
        return new QualifiedName("", name);
    }

    /** Whether a schema is one that an engine puts things into where none is named. */
    public static boolean isDefaultSchema(String namespace) {
        return DEFAULT.contains(namespace.toLowerCase(Locale.ROOT));
    }

    /**
     * The name as people are told it: with its schema, unless that is the default one. A name with a point in it stands
     * in quotes, so that no two tables have one label.
     */
    public String label() {
        return namespace.isEmpty() || isDefaultSchema(namespace) ? labelled(name)
                : labelled(namespace) + "." + labelled(name);
    }

    private static String labelled(String name) {
        return name.indexOf('.') < 0 && !name.startsWith(QUOTE) ? name
                : QUOTE + name.replace(QUOTE, QUOTE + QUOTE) + QUOTE;
    }

    /** The name that {@link #label()} tells; the default schema has no name then. */
    public static QualifiedName ofLabel(String label) {
        int end = endOfPart(label);
        return end >= label.length() ? of(unlabelled(label))
                : new QualifiedName(unlabelled(label.substring(0, end)), unlabelled(label.substring(end + 1)));
    }

    /** Where the first part of a label ends. */
    private static int endOfPart(String label) {
        if (!label.startsWith(QUOTE)) {
            int point = label.indexOf('.');
            return point < 0 ? label.length() : point;
        }
        int at = 1;
        while (at < label.length() && (!label.startsWith(QUOTE, at) || label.startsWith(QUOTE + QUOTE, at))) {
            at += label.startsWith(QUOTE, at) ? 2 : 1;
        }
        return at + 1;
    }

    private static String unlabelled(String part) {
        return part.startsWith(QUOTE) && part.length() > 1
                ? part.substring(1, part.length() - 1).replace(QUOTE + QUOTE, QUOTE) : part;
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
