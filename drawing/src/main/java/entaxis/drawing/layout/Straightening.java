package entaxis.drawing.layout;

import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.Scene;
import java.util.Map;
import java.util.Optional;

/** Moves a card so that a line between two cards can be straight. */
public final class Straightening {
    private static final double CORNER = 24;

    private Straightening() { }

    /**
     * A place for one of the two cards of a line, the one that is not pinned; none if their sides face each other
     * already, or both are pinned.
     */
    public static Map<OwnerId, Place> of(Scene scene, String line) {
        Optional<Line> found = scene.lines().stream().filter(other -> other.id().equals(line)).findFirst();
        Optional<Card> first = found.flatMap(way -> card(scene, way.first().card()));
        Optional<Card> second = found.flatMap(way -> card(scene, way.second().card()));
        if (first.isEmpty() || second.isEmpty() || first.get().owner().equals(second.get().owner())) {
            return Map.of();
        }
        Card moving = second.get().pinned() ? first.get() : second.get();
        Box to = second.get().pinned() ? second.get().box() : first.get().box();
        Box box = moving.box();
        boolean beside = box.x() >= to.right() || to.x() >= box.right();
        double shared = beside ? Math.min(box.bottom(), to.bottom()) - Math.max(box.y(), to.y())
                : Math.min(box.right(), to.right()) - Math.max(box.x(), to.x());
        if (moving.pinned() || shared > CORNER) {
            return Map.of();
        }
        return Map.of(moving.owner(),
                beside ? new Place((int) Math.round(box.x()), (int) Math.round(to.centreY() - box.height() / 2))
                : new Place((int) Math.round(to.centreX() - box.width() / 2), (int) Math.round(box.y())));
    }

    private static Optional<Card> card(Scene scene, String id) {
        return scene.cards().stream().filter(card -> card.owner().value().equals(id)).findFirst();
    }
}
