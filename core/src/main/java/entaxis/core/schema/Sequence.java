package entaxis.core.schema;

import java.util.List;
import java.util.Optional;

/**
 * A sequence generator (ISO/IEC 9075-2, 11.72).
 *
 * @param namespace the schema that it was put into; empty for the usual one
 * @param comment   what it counts; may be empty
 * @param grants    who may use it, without its owner, in order; empty where that is not told
 */
public record Sequence(String namespace, String name, long start, long step, String comment,
        Optional<List<Grant>> grants) {
    /** Copies the grants. */
    public Sequence {
        grants = grants.map(List::copyOf);
    }

    /** A sequence of which is not told who may use it. */
    public Sequence(String namespace, String name, long start, long step, String comment) {
        this(namespace, name, start, step, comment, Optional.empty());
    }

    /** A sequence about which nothing is said. */
    public Sequence(String namespace, String name, long start, long step) {
        this(namespace, name, start, step, "");
    }

    /** Its name with its schema. */
    public QualifiedName qualifiedName() {
        return new QualifiedName(namespace, name);
    }

    /** The same under another name. */
    public Sequence named(String newName) {
        return new Sequence(namespace, newName, start, step, comment, grants);
    }

    /** The same in another schema. */
    public Sequence in(String newNamespace) {
        return new Sequence(newNamespace, name, start, step, comment, grants);
    }

    /** The same with another comment. */
    public Sequence withComment(String newComment) {
        return new Sequence(namespace, name, start, step, newComment, grants);
    }

    /** The same with another beginning. */
    public Sequence startingAt(long newStart) {
        return new Sequence(namespace, name, newStart, step, comment, grants);
    }

    /** The same for others to use. */
    public Sequence withGrants(Optional<List<Grant>> newGrants) {
        return new Sequence(namespace, name, start, step, comment, newGrants);
    }
}
