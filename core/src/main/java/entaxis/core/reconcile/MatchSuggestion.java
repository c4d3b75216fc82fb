package entaxis.core.reconcile;

import java.util.List;

/** What two schemas may have in common without saying so. It is offered, never assumed. */
public sealed interface MatchSuggestion permits MergedTable, Rename, Split {
    /** What tells it from others. */
    String key();

    /** What was there. */
    String was();

    /** What may have become of it, as the middle of a sentence. */
    String became();

    /** Where it may be now. */
    String now();

    /** What speaks for it, in words. */
    List<String> reasons();

    /** Whether more speaks for it than against it. */
    boolean likely();

    /** A pairing with this taken as so. */
    RenameMap into(RenameMap pairing);
}
