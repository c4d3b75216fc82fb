package entaxis.core.statement;

/**
 * A type as a script names it, which may be one that the script makes.
 *
 * @param namespace  the schema before its name; empty where none is said
 * @param name       its name as the engine holds it
 * @param spelling   the whole as written, without brackets of arrays
 * @param unqualified the same without the schema
 * @param unquoted   the same without the schema and without quotes around the name
 * @param quoted     whether the first of its names stands in quotes
 * @param dimensions how many dimensions it has as an array; 0 if it is none
 */
public record TypeName(String namespace, String name, String spelling, String unqualified, String unquoted,
        boolean quoted, int dimensions) {
    /** An array of such elements. */
    public TypeName array(int newDimensions) {
        return new TypeName(namespace, name, spelling, unqualified, unquoted, quoted, newDimensions);
    }

    /** Whether a schema is named. */
    public boolean qualified() {
        return !namespace.isEmpty();
    }
}
