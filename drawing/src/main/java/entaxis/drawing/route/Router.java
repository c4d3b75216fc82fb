package entaxis.drawing.route;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.geometry.SpatialIndex;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Routes all lines of a sheet around its cards. A router remembers its last result: a line whose two ends stayed and whose way no card entered or left is not searched
 * for again. Not safe for use by several threads at once.
 */
public final class Router {
    /** How far around its two cards a way is looked for: first near, then wide. */
    private static final double[] WINDOWS = {120, 700};
    /** How many pairs of other sides are tried where the wanted ones have no room. */
    private static final int MAX_TRIES = 5;

    /** A way that was found: for these two ports, which it may have had to leave for another side, looked for in this window. */
    private record Known(Port first, Port second, Edge firstSide, Edge secondSide, List<Point> points, Box window) {
        Known(Port first, Port second, List<Point> points, Box window) {
            this(first, second, first.side(), second.side(), points, window);
        }
    }

    private Map<String, Known> known = new HashMap<>();
    private Map<String, Box> cards = Map.of();

    /** The ways of all links, by identity. */
    public Map<String, Route> route(Map<String, Box> boxes, Collection<Link> links) {
        List<Link> all = List.copyOf(links);
        Ports ports = new Ports(all);
        SpatialIndex obstacles = new SpatialIndex();
        boxes.values().forEach(obstacles::add);
        List<Box> changed = changed(boxes);
        Map<String, Known> next = new HashMap<>();
        Map<String, List<Point>> ways = new LinkedHashMap<>();
        for (Link link : all) {
            Known old = known.get(link.id());
            Port first = ports.first(link);
            Port second = ports.second(link);
            boolean same = old != null && old.first().equals(first) && old.second().equals(second) && changed.stream().noneMatch(old.window()::overlaps);
            Known now = same ? old : search(link, first, second, obstacles);
            next.put(link.id(), now);
            ways.put(link.id(), now.points());
        }
        known = next;
        cards = Map.copyOf(boxes);
        Map<String, List<Point>> apart = new Lanes(ways).spread();
        Map<String, Route> routes = new LinkedHashMap<>();
        all.forEach(link -> routes.put(link.id(), new Route(apart.get(link.id()), next.get(link.id()).firstSide(), next.get(link.id()).secondSide())));
        return routes;
    }

    private List<Box> changed(Map<String, Box> boxes) {
        List<Box> changed = new ArrayList<>();
        boxes.forEach((id, box) -> {
            Box old = cards.get(id);
            if (!box.equals(old)) {
                changed.add(box);
                Optional.ofNullable(old).ifPresent(changed::add);
            }
        });
        cards.forEach((id, box) -> {
            if (!boxes.containsKey(id)) {
                changed.add(box);
            }
        });
        return changed;
    }

    private static Known search(Link link, Port first, Port second, SpatialIndex obstacles) {
        Box ends = link.first().union(link.second());
        if (straight(first, second) && obstacles.within(between(first, second)).isEmpty()) {
            return new Known(first, second, List.of(first.point(), second.point()), between(first, second));
        }
        boolean roomToTurn = obstacles.free(around(first.stub())) && obstacles.free(around(second.stub()));
        for (double around : roomToTurn ? WINDOWS : new double[0]) {
            Optional<List<Point>> way = search(first, second, obstacles, ends.grown(around));
            if (way.isPresent()) {
                return new Known(first, second, way.get(), ends.grown(around));
            }
        }
        Optional<Known> other = roomToTurn ? Optional.empty() : otherSides(link, first, second, obstacles, ends.grown(WINDOWS[0]));
        return other.orElseGet(() -> new Known(first, second, plain(first, second), ends.grown(WINDOWS[0])));
    }

    private static Optional<List<Point>> search(Port first, Port second, SpatialIndex obstacles, Box window) {
        Set<Box> cards = obstacles.within(window);
        return search(first, second, cards, PathSearch.WIDE_LANE).or(() -> search(first, second, cards, PathSearch.NARROW_LANE));
    }

    private static Optional<List<Point>> search(Port first, Port second, Set<Box> cards, double lane) {
        return new PathSearch(first.stub(), second.stub(), cards, lane).find(first.stub(), first.side(), second.stub(), second.side()).map(way -> {
            List<Point> points = new ArrayList<>(way);
            points.addFirst(first.point());
            points.addLast(second.point());
            return corners(points);
        });
    }

    /** Where a neighbour stands too close to the wanted side, the line leaves from the middle of another one. */
    private static Optional<Known> otherSides(Link link, Port first, Port second, SpatialIndex obstacles, Box window) {
        int tries = 0;
        for (Edge from : Edge.values()) {
            Port firstPort = from == first.side() ? first : middle(link.first(), from);
            if (!obstacles.free(around(firstPort.stub()))) {
                continue;
            }
            for (Edge to : Edge.values()) {
                Port secondPort = to == second.side() ? second : middle(link.second(), to);
                if (link.loop() && from == to || !obstacles.free(around(secondPort.stub()))) {
                    continue;
                }
                if (++tries > MAX_TRIES) {
                    return Optional.empty();
                }
                Optional<List<Point>> way = search(firstPort, secondPort, obstacles, window);
                if (way.isPresent()) {
                    return Optional.of(new Known(first, second, from, to, way.get(), window));
                }
            }
        }
        return Optional.empty();
    }

    private static Box around(Point point) {
        return new Box(point.x(), point.y(), 0, 0).grown(PathSearch.CLEARANCE);
    }

    private static Port middle(Box box, Edge side) {
        return new Port(new Point(side.dx() == 0 ? Math.round(box.centreX()) : side.dx() > 0 ? box.right() : box.x(),
                side.dy() == 0 ? Math.round(box.centreY()) : side.dy() > 0 ? box.bottom() : box.y()), side);
    }

    private static boolean straight(Port first, Port second) {
        boolean level = first.side().horizontal() && first.point().y() == second.point().y() || !first.side().horizontal() && first.point().x() == second.point().x();
        return level && first.side().dx() == -second.side().dx() && first.side().dy() == -second.side().dy();
    }

    private static Box between(Port first, Port second) {
        double left = Math.min(first.point().x(), second.point().x());
        double top = Math.min(first.point().y(), second.point().y());
        double right = Math.max(first.point().x(), second.point().x());
        double bottom = Math.max(first.point().y(), second.point().y());
        double margin = 6;
        return first.side().horizontal() ? new Box(left, top - margin, right - left, bottom - top + 2 * margin)
                : new Box(left - margin, top, right - left + 2 * margin, bottom - top);
    }

    /** The way that is taken where cards stand too close for any other. */
    private static List<Point> plain(Port first, Port second) {
        Point from = first.stub();
        Point to = second.stub();
        Point corner = first.side().horizontal() ? new Point(from.x(), to.y()) : new Point(to.x(), from.y());
        return corners(List.of(first.point(), from, corner, to, second.point()));
    }

    /** The points without repetitions and without those on a straight stretch. */
    private static List<Point> corners(List<Point> points) {
        List<Point> corners = new ArrayList<>();
        for (Point point : points) {
            if (!corners.isEmpty() && corners.getLast().equals(point)) {
                continue;
            }
            if (corners.size() >= 2 && inLine(corners.get(corners.size() - 2), corners.getLast(), point)) {
                corners.removeLast();
            }
            corners.add(point);
        }
        return List.copyOf(corners);
    }

    private static boolean inLine(Point a, Point b, Point c) {
        return a.x() == b.x() && b.x() == c.x() || a.y() == b.y() && b.y() == c.y();
    }
}
