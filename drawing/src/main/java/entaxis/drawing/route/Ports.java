package entaxis.drawing.route;

import entaxis.core.design.CardSide;
import entaxis.core.design.Place;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Chooses the side on which each line leaves a card and the place on it: facing sides, level with the other end where
 * that gives a straight line, and apart from each other. Runs in time linear in the lines, times the logarithm of those
 * at one card.
 */
final class Ports {
    private static final double GAP = 22;
    private static final double CORNER = 12;
    /** The least distance from a corner, and between ends, where ends must be parted. */
    private static final double EDGE = 8;
    /** The least distance of two lines' ends on one side when one is moved to make its line straight. */
    private static final double NEAREST = 12;

    /**
     * An end of a line before it has its place; a kept one was given its wish by a layout that minds its neighbours.
     */
    private record Slot(String link, boolean first, Box box, Edge side, double wish, boolean kept) { }

    private final Map<String, List<Slot>> bySide = new HashMap<>();
    private final Map<String, Port> firstPorts = new HashMap<>();
    private final Map<String, Port> secondPorts = new HashMap<>();

    Ports(List<Link> links) {
        for (Link link : links) {
            Edge first = link.shape().first().map(Ports::edge)
                    .orElseGet(() -> link.loop() ? Edge.TOP : facing(link.first(), link.second()));
            Edge second = link.shape().second().map(Ports::edge)
                    .orElseGet(() -> link.loop() ? Edge.LEFT : facing(link.second(), link.first()));
            add(bySide, link.firstCard(),
                    new Slot(link.id(), true, link.first(), first, wish(link, first, true), kept(link)));
            add(bySide, link.secondCard(),
                    new Slot(link.id(), false, link.second(), second, wish(link, second, false), kept(link)));
        }
        bySide.values().forEach(this::spread);
        links.stream()
                .filter(link -> !link.loop()
                        && (link.shape().bends().isEmpty() || kept(link) && link.shape().bends().size() == 1))
                .forEach(link -> straighten(link, bySide));
    }

    private static boolean kept(Link link) {
        return link.shape().found();
    }

    /**
     * Moves one end of a line level with the other, where its side has room there, so that a small step becomes a
     * straight line.
     */
    private void straighten(Link link, Map<String, List<Slot>> bySide) {
        Port first = first(link);
        Port second = second(link);
        boolean facing = first.side().dx() == -second.side().dx() && first.side().dy() == -second.side().dy();
        if (!facing || along(first) == along(second)) {
            return;
        }
        if (free(link, true, along(second), bySide)) {
            firstPorts.put(link.id(), moved(first, along(second)));
        } else if (free(link, false, along(first), bySide)) {
            secondPorts.put(link.id(), moved(second, along(first)));
        }
    }

    private boolean free(Link link, boolean first, double at, Map<String, List<Slot>> bySide) {
        Port port = first ? first(link) : second(link);
        Box box = first ? link.first() : link.second();
        double from = (port.side().horizontal() ? box.y() : box.x()) + CORNER;
        double to = (port.side().horizontal() ? box.bottom() : box.right()) - CORNER;
        return at >= from && at <= to
                && bySide.get((first ? link.firstCard() : link.secondCard()) + port.side()).stream()
                .filter(slot -> !slot.link().equals(link.id()) || slot.first() != first)
                        .map(slot -> (slot.first() ? firstPorts : secondPorts).get(slot.link()))
                        .allMatch(other -> Math.abs(along(other) - at) >= NEAREST
                        && Math.signum(along(other) - at) == Math.signum(along(other) - along(port)));
    }

    private static double along(Port port) {
        return port.side().horizontal() ? port.point().y() : port.point().x();
    }

    private static Port moved(Port port, double at) {
        return new Port(port.side().horizontal() ? new Point(port.point().x(), at) : new Point(at, port.point().y()),
                port.side());
    }

    /** A port further along its side, if it is still on it and no other line leaves from there. */
    Optional<Port> along(Link link, boolean first, Port port, double by) {
        Box box = first ? link.first() : link.second();
        double at = along(port) + by;
        double from = (port.side().horizontal() ? box.y() : box.x()) + EDGE;
        double to = (port.side().horizontal() ? box.bottom() : box.right()) - EDGE;
        String card = first ? link.firstCard() : link.secondCard();
        boolean free = bySide.getOrDefault(card + port.side(), List.of()).stream()
                .filter(slot -> !slot.link().equals(link.id()))
                .map(slot -> (slot.first() ? firstPorts : secondPorts).get(slot.link()))
                .allMatch(other -> Math.abs(along(other) - at) >= EDGE);
        if (at < from || at > to || !free) {
            return Optional.empty();
        }
        Port moved = moved(port, at);
        (first ? firstPorts : secondPorts).put(link.id(), moved);
        return Optional.of(moved);
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

    private static Edge edge(CardSide side) {
        return Edge.valueOf(side.name());
    }

    /**
     * The coordinate along the side that would give the straightest line, or that of the corner set by hand, or by a
     * layout as long as the card lies beside it.
     */
    private static double wish(Link link, Edge side, boolean first) {
        List<Place> bends = link.shape().bends();
        Box own = first ? link.first() : link.second();
        if (!bends.isEmpty()) {
            Place nearest = first ? bends.getFirst() : bends.getLast();
            double at = side.horizontal() ? nearest.y() : nearest.x();
            boolean beside = at >= (side.horizontal() ? own.y() : own.x())
                    && at <= (side.horizontal() ? own.bottom() : own.right());
            if (beside || !kept(link)) {
                return at;
            }
        }
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

    /**
     * How far an end and the one before it on the same side must be apart: less than usual where a layout put them
     * closer.
     */
    private static double between(List<Slot> slots, int i, double gap) {
        Slot before = slots.get(i - 1);
        Slot here = slots.get(i);
        return before.kept() && here.kept() ? Math.min(gap, Math.max(EDGE, here.wish() - before.wish())) : gap;
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
            at[i] = i == 0 ? wish : Math.max(wish, at[i - 1] + between(slots, i, gap));
        }
        double limit = to;
        for (int i = at.length - 1; i >= 0; i--) {
            at[i] = Math.min(at[i], limit);
            limit = at[i] - (i == 0 ? 0 : between(slots, i, gap));
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
