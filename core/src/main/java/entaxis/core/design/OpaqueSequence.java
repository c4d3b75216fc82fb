package entaxis.core.design;



/** A sequence generator (ISO/IEC 9075-2, 11.72), for all engines that have such. */
public record OpaqueSequence(OpaqueId id, String namespace, String name, long start, long step)
        implements OpaqueObject { }
