package entaxis.core.design;



/**
 * What belongs to the database beside its tables and is carried along with the design, to be written where it was read.
 */
public sealed interface OpaqueObject extends Elements.Element<OpaqueId> permits OpaqueProgram, OpaqueSequence {
    /** The schema that it is put into; empty for the usual one. */
    String namespace();

    /** The name, as SQL knows it. */
    String name();
}
