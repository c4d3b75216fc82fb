package entaxis.core.schema;

import entaxis.core.design.ProgramKind;
import entaxis.core.design.Target;

/**
 * Something that is carried as the text it was written in: it is kept and given back, but not looked into.
 *
 * @param namespace the schema that it was put into; empty for the usual one
 * @param target    the engine in whose words it is written
 * @param text      the statement that creates it, without the sign that ends it
 */
public record Program(ProgramKind kind, String namespace, String name, Target target, String text) {
    /** The same in other words. */
    public Program worded(String newText) {
        return new Program(kind, namespace, name, target, newText);
    }
}
