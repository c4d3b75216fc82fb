package entaxis.drawing.layout;

import entaxis.core.design.LineShape;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Where an arrangement puts cards and lines.
 *
 * @param places the upper left corners of the cards
 * @param ways   the ways of the lines that it routed, by their identities; the others are left to the router
 */
public record Laid(Map<OwnerId, Place> places, Map<String, LineShape> ways) {

    /** The same, shifted as a whole. */
    Laid moved(int dx, int dy) {
        Map<OwnerId, Place> cards = new LinkedHashMap<>();
        places.forEach((card, place) -> cards.put(card, new Place(place.x() + dx, place.y() + dy)));
        Map<String, LineShape> lines = new LinkedHashMap<>();
        ways.forEach((line, shape) -> {
            List<Place> bends = shape.bends().stream().map(bend -> new Place(bend.x() + dx, bend.y() + dy)).toList();
            lines.put(line, new LineShape(shape.first(), shape.second(), bends, shape.found()));
        });
        return new Laid(cards, lines);
    }
}
