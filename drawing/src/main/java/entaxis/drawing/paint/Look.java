package entaxis.drawing.paint;

import java.util.List;

/**
 * How an outline is drawn.
 *
 * @param role   what it is, for surfaces that are looked at live; may be empty
 * @param fill   colour inside as #RRGGBB; empty for none
 * @param stroke colour of its edge; empty for none
 * @param width  of the edge
 * @param dashes lengths of strokes and gaps in turn; none for a whole line
 * @param seen   whether it shows; what does not is there to be caught with the mouse
 */
public record Look(String role, String fill, String stroke, double width, List<Integer> dashes, boolean seen) {
    /** Copies the dashes. */
    public Look {
        dashes = List.copyOf(dashes);
    }

    /** Filled, without an edge. */
    public static Look filled(String colour) {
        return new Look("", colour, "", 0, List.of(), true);
    }

    /** An edge, not filled. */
    public static Look stroked(String colour, double width) {
        return new Look("", "", colour, width, List.of(), true);
    }

    /** A wide edge that nobody sees. */
    public static Look unseen(double width) {
        return new Look("", "", Ink.NUMERAL, width, List.of(), false);
    }

    /** The same, filled. */
    public Look on(String colour) {
        return new Look(role, colour, stroke, width, dashes, seen);
    }

    /** The same with a role. */
    public Look as(String what) {
        return new Look(what, fill, stroke, width, dashes, seen);
    }

    /** The same, dashed. */
    public Look dashed(List<Integer> lengths) {
        return new Look(role, fill, stroke, width, lengths, seen);
    }
}
