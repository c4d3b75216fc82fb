package entaxis.drawing.layout;

import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Card;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Cards put in line, and spread at even distances. */
public enum Alignment {
    LEFT, CENTRE, RIGHT, TOP, MIDDLE, BOTTOM, ACROSS, DOWN;

    /**
     * Places for cards: in line with the first one, or, for {@link #ACROSS} and {@link #DOWN}, with even gaps between
     * the outermost two.
     */
    public Map<OwnerId, Place> of(List<Card> cards) {
        if (cards.size() < 2) {
            return Map.of();
        }
        return this == ACROSS || this == DOWN ? distributed(cards) : aligned(cards);
    }

    private Map<OwnerId, Place> aligned(List<Card> cards) {
        Map<OwnerId, Place> places = new LinkedHashMap<>();
        Box to = cards.getFirst().box();
        for (Card card : cards) {
            Box box = card.box();
            double x = switch (this) {
                case LEFT -> to.x();
                case CENTRE -> to.centreX() - box.width() / 2;
                case RIGHT -> to.right() - box.width();
                default -> box.x();
            };
            double y = switch (this) {
                case TOP -> to.y();
                case MIDDLE -> to.centreY() - box.height() / 2;
                case BOTTOM -> to.bottom() - box.height();
                default -> box.y();
            };
            places.put(card.owner(), new Place((int) Math.round(x), (int) Math.round(y)));
        }
        return places;
    }

    private Map<OwnerId, Place> distributed(List<Card> cards) {
        boolean across = this == ACROSS;
        List<Card> sorted = cards.stream()
                .sorted(Comparator.comparingDouble(card -> across ? card.box().x() : card.box().y())).toList();
        Box first = sorted.getFirst().box();
        Box last = sorted.getLast().box();
        double sizes = sorted.stream().mapToDouble(card -> across ? card.box().width() : card.box().height()).sum();
        double gap = ((across ? last.right() - first.x() : last.bottom() - first.y()) - sizes) / (sorted.size() - 1);
        Map<OwnerId, Place> places = new LinkedHashMap<>();
        double at = across ? first.x() : first.y();
        for (Card card : sorted) {
            Box box = card.box();
            places.put(card.owner(),
                    new Place((int) Math.round(across ? at : box.x()), (int) Math.round(across ? box.y() : at)));
            at += (across ? box.width() : box.height()) + gap;
        }
        return places;
    }
}
