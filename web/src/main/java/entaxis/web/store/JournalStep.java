package entaxis.web.store;

/** What the undo history needs to know of a journal row. */
public record JournalStep(long revision, JournalRow.Kind kind) { }
