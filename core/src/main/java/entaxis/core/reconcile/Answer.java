package entaxis.core.reconcile;

/** Whose side of a difference is right. */
public enum Answer {
    /** The wanted side: the other one is changed. */
    WANTED,
    /** The side that would be changed: the wanted one is brought up to date. */
    HAVE,
    /** Neither: both stay as they are. */
    KEEP
}
