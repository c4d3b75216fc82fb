package entaxis.drawing.layout;

import entaxis.core.design.CardSide;
import entaxis.core.design.LineShape;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.geometry.SpatialIndex;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.Scene;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Arranges the cards of a scene left to right in layers, parents before children (Sugiyama, Tagawa and Toda 1981, as
 * the layered layout library does it).
 */
public final class AutoLayout {
    static final double BETWEEN_CARDS = 44;
    static final int MARGIN = 40;
    private static final int RING = 40;
    private static final int MAX_RINGS = 200;
    private static final int[][] WAYS = {{0, 0}, {1, 0}, {0, 1}, {-1, 0}, {0, -1}, {1, 1}, {-1, 1}, {1, -1}, {-1, -1}};

    private AutoLayout() { }

    /**
     * A place for each card that is not pinned. Deterministic; the library's effort grows a little faster than linearly
     * with cards and lines.
     */
    public static Map<OwnerId, Place> arrange(Scene scene) {
        Set<OwnerId> moving = new LinkedHashSet<>();
        scene.cards().stream().filter(card -> !card.pinned()).forEach(card -> moving.add(card.owner()));
        return arrange(scene, moving);
    }

    /**
     * Places for some of the cards. Where others stay, the arranged block goes where the moved cards had their middle,
     * or as near to it as there is room without lying on those that stay.
     */
    public static Map<OwnerId, Place> arrange(Scene scene, Set<OwnerId> moving) {
        List<Card> cards = scene.cards().stream().filter(card -> moving.contains(card.owner())).toList();
        Map<OwnerId, Place> places = laid(cards, scene.lines()).places();
        return cards.isEmpty() || cards.size() == scene.cards().size() ? places : beside(scene, cards, places);
    }

    /**
     * What the library decided about the ways of lines when it placed all cards of a scene: the sides and corners, and
     * the middle of those that are straight, so that they leave their cards where the library had them leave. Lines of
     * a category, which meet at its sign, are left to the router.
     */
    public static Map<String, LineShape> ways(Scene scene) {
        return laid(scene.cards(), scene.lines()).ways();
    }

    /** Places and ways of some cards and of the lines between them, as if there were no others. */
    static Laid laid(List<Card> cards, List<Line> lines) {
        ElkGraph graph = ElkGraph.of(cards, lines);
        graph.layOut();
        Set<String> plain = new LinkedHashSet<>();
        lines.stream().filter(Line::plain).forEach(line -> plain.add(line.id()));
        Map<String, LineShape> shapes = new LinkedHashMap<>();
        graph.ways().forEach((line, points) -> {
            if (!plain.contains(line)) {
                List<Point> inner = points.size() > 2 ? points.subList(1, points.size() - 1)
                        : List.of(middle(points.getFirst(), points.getLast()));
                List<Place> bends = inner.stream()
                        .map(point -> new Place((int) Math.round(point.x()), (int) Math.round(point.y()))).toList();
                shapes.put(line, new LineShape(Optional.of(side(points.getFirst(), points.get(1))),
                        Optional.of(side(points.getLast(), points.get(points.size() - 2))), bends, true));
            }
        });
        Map<OwnerId, Place> places = new LinkedHashMap<>();
        cards.forEach(card -> places.put(card.owner(), graph.place(card)));
        return new Laid(places, shapes);
    }

    private static Point middle(Point from, Point to) {
        return new Point((from.x() + to.x()) / 2, (from.y() + to.y()) / 2);
    }

    private static CardSide side(Point from, Point to) {
        return Math.abs(from.y() - to.y()) < Math.abs(from.x() - to.x()) ? to.x() > from.x() ? CardSide.RIGHT
                : CardSide.LEFT : to.y() > from.y() ? CardSide.BOTTOM : CardSide.TOP;
    }

    private static Map<OwnerId, Place> beside(Scene scene, List<Card> cards, Map<OwnerId, Place> places) {
        SpatialIndex staying = new SpatialIndex();
        scene.cards().stream().filter(card -> !places.containsKey(card.owner()))
                .forEach(card -> staying.add(card.box().grown(BETWEEN_CARDS / 2)));
        Box old = cards.stream().map(Card::box).reduce(Box::union).orElseThrow();
        Box block = cards.stream().map(card -> at(card, places.get(card.owner()))).reduce(Box::union).orElseThrow();
        int dx = (int) Math.round(old.centreX() - block.centreX());
        int dy = (int) Math.round(old.centreY() - block.centreY());
        for (int ring = 0; ring < MAX_RINGS; ring++) {
            for (int[] way : WAYS) {
                int x = dx + way[0] * ring * RING;
                int y = dy + way[1] * ring * RING;
                if (cards.stream().allMatch(card -> staying.free(at(card, moved(places.get(card.owner()), x, y))))) {
                    return all(places, x, y);
                }
            }
        }
        return all(places, dx, dy);
    }

    private static Map<OwnerId, Place> all(Map<OwnerId, Place> places, int dx, int dy) {
        Map<OwnerId, Place> moved = new LinkedHashMap<>();
        places.forEach((card, place) -> moved.put(card, moved(place, dx, dy)));
        return moved;
    }

    private static Place moved(Place place, int dx, int dy) {
        return new Place(place.x() + dx, place.y() + dy);
    }

    private static Box at(Card card, Place place) {
        return new Box(place.x(), place.y(), card.box().width(), card.box().height());
    }
}
