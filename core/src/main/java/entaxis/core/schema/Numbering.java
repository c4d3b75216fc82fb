package entaxis.core.schema;

/** The numbers of an identity: the first one and the distance to the next, which may be negative but not 0. */
public record Numbering(long start, long step) {
    /** From 1 by 1. */
    public static final Numbering DEFAULT = new Numbering(1, 1);
}
