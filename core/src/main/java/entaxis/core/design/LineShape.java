package entaxis.core.design;

import java.util.List;
import java.util.Optional;

/**
 * What a designer decided about the way of one line; the rest is found by the router.
 *
 * @param first  the side of the first card that it leaves from
 * @param second the side of the second card that it arrives at
 * @param bends  corners that it passes, in order from the first card; empty to let the router find the way
 * @param found  whether the automatic layout found these corners, so that they hold only as long as the cards stay and
 *               the way is free
 */
public record LineShape(Optional<CardSide> first, Optional<CardSide> second, List<Place> bends, boolean found) {
    /** Nothing decided. */
    public static final LineShape FREE = new LineShape(Optional.empty(), Optional.empty(), List.of());

    /** Decided by hand. */
    public LineShape(Optional<CardSide> first, Optional<CardSide> second, List<Place> bends) {
        this(first, second, bends, false);
    }

    /** Copies the corners. */
    public LineShape {
        bends = List.copyOf(bends);
    }

    /** The same, leaving one end's card from this side, or from any. */
    public LineShape leaving(Side end, Optional<CardSide> from) {
        return end == Side.FIRST ? new LineShape(from, second, List.of()) : new LineShape(first, from, List.of());
    }

    /** The same by way of these corners. */
    public LineShape by(List<Place> corners) {
        return new LineShape(first, second, corners);
    }
}
