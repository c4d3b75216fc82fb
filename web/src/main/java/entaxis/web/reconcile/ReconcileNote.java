package entaxis.web.reconcile;

/**
 * Something that was decided or said.
 *
 * @param about  what it is about, such as the key of a difference
 * @param answer what was said
 */
record ReconcileNote(Kind kind, String about, String answer) {

    /** What can be noted. */
    enum Kind {
        /** Whose side of a difference is right. */
        SIDE,
        /** Why a difference is kept as it is. */
        REASON,
        /** Whether two names are one thing. */
        RENAME,
        /** The value that rows get which have none. */
        FILL,
        /** That a loss of data is meant. */
        LOSS,
        /** The schema that both sides last agreed on, as a script. */
        AGREED,
        /** The design's text of a view or routine when both sides agreed; empty for one that was apart even then. */
        WORDED,
        /** A script that is a side, with its engine in front. */
        SCRIPT
    }
}
