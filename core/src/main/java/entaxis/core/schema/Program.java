package entaxis.core.schema;

import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * Something that is carried as the text it was written in: it is kept and given back, but not looked into.
 *
 * @param namespace the schema that it was put into; empty for the usual one
 * @param target    the engine in whose words it is written
 * @param text      the statement that creates it, without the sign that ends it
 * @param comments  what is said about it
 * @param grants    who may use it, without its owner, in order; empty where that is not told
 */
public record Program(ProgramKind kind, String namespace, String name, Target target, String text,
        List<ObjectComment> comments, Optional<List<Grant>> grants) {
    /** Copies the lists. */
    public Program {
        comments = List.copyOf(comments);
        grants = grants.map(List::copyOf);
    }

    /** A program about which nothing is said. */
    public Program(ProgramKind kind, String namespace, String name, Target target, String text) {
        this(kind, namespace, name, target, text, List.of(), Optional.empty());
    }

    /**
     * What it says before its body. Linear in its text.
     *
     * @param unquoted how the engine holds a name without quotes
     */
    public ProgramHead head(UnaryOperator<String> unquoted) {
        return ProgramHead.of(kind, text, unquoted);
    }

    /** Its name with its schema. */
    public QualifiedName qualifiedName() {
        return new QualifiedName(namespace, name);
    }

    /** The same in another schema. */
    public Program in(String newNamespace) {
        return new Program(kind, newNamespace, name, target, text, comments, grants);
    }

    /** The same in other words. */
    public Program worded(String newText) {
        return new Program(kind, namespace, name, target, newText, comments, grants);
    }

    /** The same under another name. */
    public Program named(String newName) {
        return new Program(kind, namespace, newName, target, text, comments, grants);
    }

    /** The same with other comments. */
    public Program withComments(List<ObjectComment> newComments) {
        return new Program(kind, namespace, name, target, text, newComments, grants);
    }

    /** The same for others to use. */
    public Program withGrants(Optional<List<Grant>> newGrants) {
        return new Program(kind, namespace, name, target, text, comments, newGrants);
    }
}
