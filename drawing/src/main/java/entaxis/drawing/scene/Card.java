package entaxis.drawing.scene;

import entaxis.core.design.OwnerId;
import entaxis.drawing.geometry.Box;
import java.util.List;
import java.util.OptionalInt;

/**
 * An entity or table as it lies on the sheet.
 *
 * @param hue     number of its subject area's colour, if it is in one
 * @param rounded whether its corners are round: it depends on a parent for its identity (FIPS PUB 184)
 * @param keyRows rows of the primary key, in rank order
 * @param rows    all other rows
 * @param meaning lines of what one of it is, below the name
 * @param indexes lines of its indexes, below the rows
 * @param pinned  whether it stays where it is when the sheet is arranged
 */
public record Card(OwnerId owner, Box box, String name, OptionalInt hue, boolean rounded, List<Row> keyRows,
        List<Row> rows, List<String> meaning, List<String> indexes,
        boolean pinned) {
    /** A card that shows only its rows. */
    public Card(OwnerId owner, Box box, String name, OptionalInt hue, boolean rounded, List<Row> keyRows,
            List<Row> rows) {
        this(owner, box, name, hue, rounded, keyRows, rows, List.of(), List.of(), false);
    }

    /** Height of the name's band. */
    public static final int HEAD = 26;
    /** Height of one row. */
    public static final int ROW = 19;
    /** Height of one line of meaning or of an index. */
    public static final int NOTE_ROW = 16;
    /** Room above and below each band of rows. */
    public static final int BAND = 4;
    /** Width of the coloured spine. */
    public static final int SPINE = 10;
    /** Room between spine and text, and between text and right edge. */
    public static final int PAD = 8;

    /**
     * One attribute or column.
     *
     * @param rank     its rank in a key of several parts; 0 for none
     * @param marks    such as {@code (FK)} and {@code (AK1)}
     * @param optional whether it may be without a value
     * @param type     the type as shown at the right; may be empty
     */
    public record Row(String name, int rank, String marks, boolean optional, String type, String comment) {
        /** A row without a comment. */
        public Row(String name, int rank, String marks, boolean optional, String type) {
            this(name, rank, marks, optional, type, "");
        }
    }

    /** Height of everything above the rows. */
    public double head() {
        return HEAD + meaning.size() * NOTE_ROW + (meaning.isEmpty() ? 0 : BAND);
    }

    /** The same at another place. */
    public Card at(double x, double y) {
        return new Card(owner, new Box(x, y, box.width(), box.height()), name, hue, rounded, keyRows, rows, meaning,
                indexes, pinned);
    }

    /** The same, pinned or not. */
    public Card pinned(boolean now) {
        return new Card(owner, box, name, hue, rounded, keyRows, rows, meaning, indexes, now);
    }
}
