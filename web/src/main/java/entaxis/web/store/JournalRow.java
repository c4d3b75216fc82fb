package entaxis.web.store;

import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.Optional;

/**
 * One edit in the journal.
 *
 * @param kind the name of a {@link Kind}, as it stands in the row
 */
public record JournalRow(String designId, long revision, String kind, String changeJson, String inverseJson,
        String author, OffsetDateTime madeAt) {
    /** How the edit came about: by itself, by taking one back, or by doing one again. */
    public enum Kind {
        EDIT, UNDO, REDO;

        /** The kind of a name; none for a name that this version does not know. */
        static Optional<Kind> of(String name) {
            return Arrays.stream(values()).filter(kind -> kind.name().equals(name)).findFirst();
        }
    }
}
