package entaxis.core.schema;

/**
 * A sequence generator (ISO/IEC 9075-2, 11.72).
 *
 * @param namespace the schema that it was put into; empty for the usual one
 * @param comment   what it counts; may be empty
 */
public record Sequence(String namespace, String name, long start, long step, String comment) {
    /** A sequence about which nothing is said. */
    public Sequence(String namespace, String name, long start, long step) {
        this(namespace, name, start, step, "");
    }

    /** The same with another comment. */
    public Sequence withComment(String newComment) {
        return new Sequence(namespace, name, start, step, newComment);
    }

    /** The same with another beginning. */
    public Sequence startingAt(long newStart) {
        return new Sequence(namespace, name, newStart, step, comment);
    }
}
