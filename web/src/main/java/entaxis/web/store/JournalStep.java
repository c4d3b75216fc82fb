package entaxis.web.store;

/**
 * What the undo history needs to know of a journal row.
 *
 * @param kind the name of a {@link JournalRow.Kind}, as it stands in the row
 */
public record JournalStep(long revision, String kind) { }
