package entaxis.drawing.layout;

import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Scene;
import java.util.Optional;

/** Lets a card that was dropped nearly in line with another one lie in line with it. */
public final class Snapping {
    private static final double REACH = 8;
    private static final double NEIGHBOURHOOD = 900;

    private Snapping() { }

    /**
     * The nearest place in which an edge or the middle of a card is in line with that of a neighbour; the wanted place
     * where none is near. Linear in the cards.
     */
    public static Place snapped(Scene scene, OwnerId moved, Place wanted) {
        Optional<Box> own =
                scene.cards().stream().filter(card -> card.owner().equals(moved)).map(Card::box).findFirst();
        if (own.isEmpty()) {
            return wanted;
        }
        Box box = new Box(wanted.x(), wanted.y(), own.get().width(), own.get().height());
        double dx = REACH + 1;
        double dy = REACH + 1;
        for (Card card : scene.cards()) {
            Box other = card.box();
            if (card.owner().equals(moved) || !box.grown(NEIGHBOURHOOD).overlaps(other)) {
                continue;
            }
            dx = nearer(dx, other.x() - box.x(), other.centreX() - box.centreX(), other.right() - box.right());
            dy = nearer(dy, other.y() - box.y(), other.centreY() - box.centreY(), other.bottom() - box.bottom());
        }
        return new Place(wanted.x() + (int) Math.round(dx > REACH ? 0 : dx),
                wanted.y() + (int) Math.round(dy > REACH ? 0 : dy));
    }

    private static double nearer(double best, double... offsets) {
        double nearest = best;
        for (double offset : offsets) {
            nearest = Math.abs(offset) < Math.abs(nearest) ? offset : nearest;
        }
        return nearest;
    }
}
