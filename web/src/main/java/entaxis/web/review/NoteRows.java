package entaxis.web.review;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import entaxis.core.review.About;
import entaxis.core.review.Finding;
import entaxis.core.review.Review;
import entaxis.web.rows.RowGrid;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** The sample rows that notes are about, so that they are corrected in the note. */
public final class NoteRows {
    private static final int MAX_ROWS = 3;

    private NoteRows() { }

    /** The first few rows of each note that is about rows, by the id of the note. */
    public static Map<String, List<RowGrid.Row>> of(List<MarginNote> notes, Review review, Design design,
            Derivation derivation) {
        Map<OwnerId, RowGrid> grids = new HashMap<>();
        Map<String, List<RowGrid.Row>> rows = new HashMap<>();
        for (MarginNote note : notes) {
            List<About> about = MarginNote.finding(review, note.id()).map(Finding::about).orElse(List.of()).stream()
                    .filter(one -> one.kind() == About.Kind.ROW).limit(MAX_ROWS).toList();
            List<RowGrid.Row> found = about.stream().flatMap(one -> row(one, grids.computeIfAbsent(
                    OwnerId.of(one.id()), owner -> grid(owner, review, design, derivation)))).toList();
            if (!found.isEmpty()) {
                rows.put(note.id(), found);
            }
        }
        return rows;
    }

    private static RowGrid grid(OwnerId owner, Review review, Design design, Derivation derivation) {
        return RowGrid.of(design, derivation.stated().derived(owner).orElseThrow(), owner, review);
    }

    private static Stream<RowGrid.Row> row(About about, RowGrid grid) {
        return grid.rows().stream().filter(row -> about.name().equals(grid.table() + " row " + row.number()));
    }
}
