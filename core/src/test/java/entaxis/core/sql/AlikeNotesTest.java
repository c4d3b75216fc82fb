package entaxis.core.sql;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.sql.AdaptationNote.Kind;
import java.util.List;
import org.junit.jupiter.api.Test;

class AlikeNotesTest {
    private static AdaptationNote note(Kind kind, String table, String element, String words) {
        return new AdaptationNote(kind, table, element, words);
    }

    @Test
    void whatIsSaidOfSeveralIsSaidOnce() {
        List<AlikeNotes> notes = AlikeNotes.of(List.of(note(Kind.LIMITED, "lot", "note", "it takes any length"),
                note(Kind.LOST, "lot", "fk_lot", "it is left out"),
                note(Kind.LIMITED, "taxon", "name", "it takes any length"),
                note(Kind.LOST, "taxon", "name", "it takes any length"), note(Kind.LOST, "", "", "nothing is kept")));
        assertThat(notes).extracting(AlikeNotes::sentence).containsExactly(
                "it takes any length (2): lot.note, taxon.name", "lot.fk_lot: it is left out",
                "taxon.name: it takes any length", "nothing is kept");
        assertThat(notes).extracting(AlikeNotes::kind)
                .containsExactly(Kind.LIMITED, Kind.LOST, Kind.LOST, Kind.LOST);
        assertThat(AlikeNotes.of(List.of())).isEmpty();
    }
}
