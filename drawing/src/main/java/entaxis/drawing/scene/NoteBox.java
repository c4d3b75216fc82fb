package entaxis.drawing.scene;

import entaxis.core.design.NoteId;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.text.TextStyle;
import java.util.List;

/**
 * A note as it lies on the sheet, its text cut into lines.
 *
 * @param lines from top to bottom
 */
public record NoteBox(NoteId id, Box box, List<TextLine> lines) {
    /** Copies the lines. */
    public NoteBox {
        lines = List.copyOf(lines);
    }

    /**
     * One line of text.
     *
     * @param baseline below the top of the note
     */
    public record TextLine(double baseline, List<Run> runs) {
        /** Copies the runs. */
        public TextLine {
            runs = List.copyOf(runs);
        }
    }

    /** Words in one style, from a place to the right of the note's edge. */
    public record Run(double x, String text, TextStyle style) { }
}
