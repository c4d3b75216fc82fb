package entaxis.web.store;

import java.time.OffsetDateTime;

/** One edit in the journal. */
public record JournalRow(String designId, long revision, Kind kind, String changeJson, String inverseJson, String author, OffsetDateTime madeAt) {
    /** How the edit came about: by itself, by taking one back, or by doing one again. */
    public enum Kind { EDIT, UNDO, REDO }
}
