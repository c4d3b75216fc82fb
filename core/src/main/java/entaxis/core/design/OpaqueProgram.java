package entaxis.core.design;

import entaxis.core.schema.ObjectComment;
import entaxis.core.schema.ProgramKind;
import entaxis.core.targets.Target;
import java.util.List;


/**
 * A view, routine or trigger: not looked into.
 *
 * @param target the engine in whose words it is written; in the scripts of others it is left out
 * @param text     the statement that creates it, without the sign that ends it
 * @param comments what is said about it
 */
public record OpaqueProgram(OpaqueId id, ProgramKind kind, String namespace, String name, Target target, String text,
        List<ObjectComment> comments) implements OpaqueObject {
    /** Copies the comments. */
    public OpaqueProgram {
        comments = List.copyOf(comments);
    }

    /** A program about which nothing is said. */
    public OpaqueProgram(OpaqueId id, ProgramKind kind, String namespace, String name, Target target, String text) {
        this(id, kind, namespace, name, target, text, List.of());
    }
}
