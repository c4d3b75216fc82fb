package entaxis.drawing.route;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Chooses the side on which each line leaves a card and the place on it: facing sides, level with the other end where that gives a straight line, and apart from
 * each other. Runs in time linear in the lines, times the logarithm of those at one card.
 */
final class Ports {
    private static final double GAP = 22;
    private static final double CORNER = 12;

    private record Slot(String link, boolean first, Box box, Edge side, double wish) { }

    private final Map<String, Port> firstPorts = new HashMap<>();
    private final Map<String, Port> secondPorts = new HashMap<>();

    Ports(List<Link> links) {
        Map<String, List<Slot>> bySide = new HashMap<>();
        for (Link link : links) {
            Edge first = link.loop() ? Edge.TOP : facing(link.first(), link.second());
            Edge second = link.loop() ? Edge.LEFT : facing(link.second(), link.first());
            add(bySide, link.firstCard(), new Slot(link.id(), true, link.first(), first, wish(link, first, true)));
            add(bySide, link.secondCard(), new Slot(link.id(), false, link.second(), second, wish(link, second, false)));
        }
        bySide.values().forEach(this::spread);
    }

    Port first(Link link) {
        return firstPorts.get(link.id());
    }

    Port second(Link link) {
        return secondPorts.get(link.id());
    }

    private static void add(Map<String, List<Slot>> bySide, String card, Slot slot) {
        bySide.computeIfAbsent(card + slot.side(), any -> new ArrayList<>()).add(slot);
    }

    private static Edge facing(Box from, Box to) {
        double room = 2 * Port.STUB - 4;
        if (to.x() - from.right() >= room) {
            return Edge.RIGHT;
        }
        if (from.x() - to.right() >= room) {
            return Edge.LEFT;
        }
        if (to.y() - from.bottom() >= room) {
            return Edge.BOTTOM;
        }
        if (from.y() - to.bottom() >= room) {
            return Edge.TOP;
        }
        return Edge.RIGHT;
    }

    /** The coordinate along the side that would give the straightest line. */
    private static double wish(Link link, Edge side, boolean first) {
        Box own = first ? link.first() : link.second();
        Box other = first ? link.second() : link.first();
        if (link.loop()) {
            return side.horizontal() ? own.y() + 34 : own.x() + 34;
        }
        double low = side.horizontal() ? Math.max(own.y(), other.y()) : Math.max(own.x(), other.x());
        double high = side.horizontal() ? Math.min(own.bottom(), other.bottom()) : Math.min(own.right(), other.right());
        if (high - low > 2 * CORNER) {
            return Math.round((low + high) / 2);
        }
        return side.horizontal() ? other.centreY() : other.centreX();
    }

    /** Gives each line of one side its place: as near to its wish as the distance to its neighbours allows. */
    private void spread(List<Slot> slots) {
        slots.sort(Comparator.comparingDouble(Slot::wish).thenComparing(Slot::link).thenComparing(Slot::first));
        Slot any = slots.getFirst();
        boolean horizontal = any.side().horizontal();
        double from = (horizontal ? any.box().y() : any.box().x()) + CORNER;
        double to = (horizontal ? any.box().bottom() : any.box().right()) - CORNER;
        double gap = Math.min(GAP, (to - from) / Math.max(1, slots.size() - 1));
        double[] at = new double[slots.size()];
        for (int i = 0; i < at.length; i++) {
            double wish = Math.clamp(slots.get(i).wish(), from, Math.max(from, to));
            at[i] = i == 0 ? wish : Math.max(wish, at[i - 1] + gap);
        }
        double limit = to;
        for (int i = at.length - 1; i >= 0; i--) {
            at[i] = Math.min(at[i], limit);
            limit = at[i] - gap;
        }
        for (int i = 0; i < at.length; i++) {
            Slot slot = slots.get(i);
            Point point = switch (slot.side()) {
                case LEFT -> new Point(slot.box().x(), at[i]);
                case RIGHT -> new Point(slot.box().right(), at[i]);
                case TOP -> new Point(at[i], slot.box().y());
                case BOTTOM -> new Point(at[i], slot.box().bottom());
            };
            (slot.first() ? firstPorts : secondPorts).put(slot.link(), new Port(point, slot.side()));
        }
    }
}
