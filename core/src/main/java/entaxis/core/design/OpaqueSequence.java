package entaxis.core.design;



/**
 * A sequence generator (ISO/IEC 9075-2, 11.72), for all engines that have such.
 *
 * @param comment what it counts; may be empty
 */
public record OpaqueSequence(OpaqueId id, String namespace, String name, long start, long step, String comment)
        implements OpaqueObject {
    /** A sequence about which nothing is said. */
    public OpaqueSequence(OpaqueId id, String namespace, String name, long start, long step) {
        this(id, namespace, name, start, step, "");
    }
}
