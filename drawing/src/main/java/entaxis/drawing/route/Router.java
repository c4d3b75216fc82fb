package entaxis.drawing.route;

import entaxis.core.design.LineShape;
import entaxis.core.design.Place;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.geometry.SpatialIndex;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Routes all lines of a sheet around its cards. A router remembers its last result: a line whose two ends stayed and
 * whose way no card entered or left is not searched for again. Not safe for use by several threads at once.
 */
public final class Router {
    /** How far around its two cards a way is looked for: first near, then wide. */
    private static final double[] WINDOWS = {120, 700};
    /** How many pairs of other sides are tried where the wanted ones have no room. */
    private static final int MAX_TRIES = 5;
    private static final int PARTINGS = 3;
    /** How far the end of a way that the layout found may be from where it was. */
    private static final double ADRIFT = 48;
    private static final int[] ASIDE = {11, -11, 22, -22, 33, -33};

    /** A level or upright line of the sheet, to the sheet unit. */
    private record Lane(boolean level, long at) { }

    /** The stretch by which a line leaves a card. */
    private record End(Link link, boolean first, boolean level, double at, double low, double high) {
        static Optional<End> of(Link link, boolean first, List<Point> points) {
            Point from = first ? points.getFirst() : points.getLast();
            Point to = first ? points.get(1) : points.get(points.size() - 2);
            if (points.size() == 2 && !first) {
                return Optional.empty();
            }
            boolean level = from.y() == to.y();
            double one = level ? from.x() : from.y();
            double other = level ? to.x() : to.y();
            return Optional.of(new End(link, first, level, level ? from.y() : from.x(), Math.min(one, other),
                    Math.max(one, other)));
        }

        Lane lane() {
            return new Lane(level, Math.round(at));
        }

        boolean liesOn(End other) {
            return !link.id().equals(other.link().id())
                    && Math.min(high, other.high()) - Math.max(low, other.low()) > 2;
        }
    }

    /**
     * A way that was found: for these two ports, which it may have had to leave for another side, looked for in this
     * window.
     */
    private record Known(Port first, Port second, LineShape shape, Edge firstSide, Edge secondSide, List<Point> points,
            Box window, boolean parted) {
        Known(Link link, Port first, Port second, List<Point> points, Box window) {
            this(first, second, link.shape(), first.side(), second.side(), points, window, false);
        }
    }

    private Map<String, Known> known = new HashMap<>();
    private Map<String, Box> cards = Map.of();
    private List<Link> linked = List.of();
    private Map<String, Route> routes = Map.of();

    /** The ways of all links, by identity; the very same map as before where no card and no link is another. */
    public Map<String, Route> route(Map<String, Box> boxes, Collection<Link> links) {
        List<Link> all = List.copyOf(links);
        if (all.equals(linked) && boxes.equals(cards)) {
            return routes;
        }
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
            boolean same = old != null && old.first().equals(first) && old.second().equals(second)
                    && old.shape().equals(link.shape()) && changed.stream().noneMatch(old.window()::overlaps);
            Known now = same ? old : search(link, first, second, obstacles);
            next.put(link.id(), now);
            ways.put(link.id(), now.points());
        }
        part(all, ports, obstacles, next, ways);
        known = next;
        cards = Map.copyOf(boxes);
        Set<String> fixed = new HashSet<>();
        all.stream()
                .filter(link -> !link.shape().bends().isEmpty()
                        && next.get(link.id()).points().size() == link.shape().bends().size() + 2)
                .forEach(link -> fixed.add(link.id()));
        Map<String, List<Point>> apart =
                new Collisions(all, ways, new Lanes(ways, fixed).spread(), fixed, obstacles).freed();
        Map<String, Route> found = new LinkedHashMap<>();
        all.forEach(link -> found.put(link.id(),
                new Route(apart.get(link.id()), next.get(link.id()).firstSide(), next.get(link.id()).secondSide())));
        linked = all;
        routes = Collections.unmodifiableMap(found);
        return routes;
    }

    /**
     * Lets lines whose ends lie on each other leave their cards a little further along. Quadratic in the ends on one
     * level or upright, which are few.
     */
    private static void part(List<Link> all, Ports ports, SpatialIndex obstacles, Map<String, Known> next,
            Map<String, List<Point>> ways) {
        for (int pass = 0; pass < PARTINGS; pass++) {
            Map<Lane, List<End>> byLane = new LinkedHashMap<>();
            for (Link link : all) {
                List<Point> points = ways.get(link.id());
                End.of(link, true, points)
                        .ifPresent(end -> byLane.computeIfAbsent(end.lane(), any -> new ArrayList<>()).add(end));
                End.of(link, false, points)
                        .ifPresent(end -> byLane.computeIfAbsent(end.lane(), any -> new ArrayList<>()).add(end));
            }
            boolean none = true;
            for (List<End> lane : byLane.values()) {
                for (int i = 1; i < lane.size(); i++) {
                    End end = lane.get(i);
                    if (end.link().shape().bends().isEmpty() && !next.get(end.link().id()).parted()
                            && liesOnOneBefore(lane, i)) {
                        none &= !aside(end, ports, obstacles, next, ways);
                    }
                }
            }
            if (none) {
                return;
            }
        }
    }

    private static boolean liesOnOneBefore(List<End> lane, int i) {
        for (int j = 0; j < i; j++) {
            if (lane.get(i).liesOn(lane.get(j))) {
                return true;
            }
        }
        return false;
    }

    private static boolean aside(End end, Ports ports, SpatialIndex obstacles, Map<String, Known> next,
            Map<String, List<Point>> ways) {
        Link link = end.link();
        Known now = next.get(link.id());
        Port first = new Port(now.points().getFirst(), now.firstSide());
        Port second = new Port(now.points().getLast(), now.secondSide());
        for (int by : ASIDE) {
            Optional<Port> moved = ports.along(link, end.first(), end.first() ? first : second, by);
            if (moved.isPresent()) {
                Known other =
                        search(link, end.first() ? moved.get() : first, end.first() ? second : moved.get(), obstacles);
                next.put(link.id(), new Known(now.first(), now.second(), link.shape(), other.firstSide(),
                        other.secondSide(), other.points(), other.window(), true));
                ways.put(link.id(), other.points());
                return true;
            }
        }
        return false;
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
        Optional<List<Point>> byHand =
                link.shape().bends().isEmpty() ? Optional.empty() : byHand(first, second, link.shape().bends());
        if (byHand.isPresent() && (!link.shape().found() || stillGood(link, byHand.get(), obstacles))) {
            return new Known(link, first, second, byHand.get(), around(byHand.get()).union(ends));
        }
        if (straight(first, second) && obstacles.within(between(first, second)).isEmpty()) {
            return new Known(link, first, second, List.of(first.point(), second.point()), between(first, second));
        }
        boolean roomToTurn = obstacles.free(around(first.stub())) && obstacles.free(around(second.stub()));
        for (double around : roomToTurn ? WINDOWS : new double[0]) {
            Optional<List<Point>> way = search(first, second, obstacles, ends.grown(around));
            if (way.isPresent()) {
                return new Known(link, first, second, way.get(), ends.grown(around));
            }
        }
        Optional<Known> other =
                roomToTurn ? Optional.empty() : otherSides(link, first, second, obstacles, ends.grown(WINDOWS[0]));
        return other.orElseGet(() -> new Known(link, first, second, plain(first, second), ends.grown(WINDOWS[0])));
    }

    /**
     * A way by corners set by hand: the first and the last follow the cards along their stretches; none where the
     * corners do not fit the sides.
     */
    private static Optional<List<Point>> byHand(Port first, Port second, List<Place> bends) {
        List<Point> points = new ArrayList<>(List.of(first.point()));
        bends.forEach(bend -> points.add(new Point(bend.x(), bend.y())));
        points.add(second.point());
        int last = points.size() - 2;
        points.set(1, first.side().horizontal() ? new Point(points.get(1).x(), first.point().y())
                : new Point(first.point().x(), points.get(1).y()));
        points.set(last, second.side().horizontal() ? new Point(points.get(last).x(), second.point().y())
                : new Point(second.point().x(), points.get(last).y()));
        for (int i = 0; i + 1 < points.size(); i++) {
            if (points.get(i).x() != points.get(i + 1).x() && points.get(i).y() != points.get(i + 1).y()) {
                return Optional.empty();
            }
        }
        boolean outwards = outwards(first, points.get(1)) && outwards(second, points.get(last));
        return outwards ? Optional.of(corners(points)) : Optional.empty();
    }

    /** Whether corners that the layout found are still where it put them, and no card has come in their way. */
    private static boolean stillGood(Link link, List<Point> way, SpatialIndex obstacles) {
        List<Place> bends = link.shape().bends();
        if (way.size() != bends.size() + 2 || far(bends.getFirst(), way.get(1))
                || far(bends.getLast(), way.get(way.size() - 2))) {
            return false;
        }
        for (int i = 0; i + 1 < way.size(); i++) {
            Box stretch = around(List.of(way.get(i), way.get(i + 1))).grown(1);
            boolean first = i == 0;
            boolean last = i + 2 == way.size();
            if (obstacles.within(stretch).stream()
                    .anyMatch(box -> !(first && box.equals(link.first())) && !(last && box.equals(link.second())))) {
                return false;
            }
        }
        return true;
    }

    private static boolean far(Place bend, Point now) {
        return Math.abs(bend.x() - now.x()) + Math.abs(bend.y() - now.y()) > ADRIFT;
    }

    private static Box around(List<Point> points) {
        return points.stream().map(point -> new Box(point.x(), point.y(), 0, 0)).reduce(Box::union).orElseThrow();
    }

    private static boolean outwards(Port port, Point next) {
        return (next.x() - port.point().x()) * port.side().dx() + (next.y() - port.point().y()) * port.side().dy() > 0;
    }

    private static Optional<List<Point>> search(Port first, Port second, SpatialIndex obstacles, Box window) {
        Set<Box> cards = obstacles.within(window);
        return search(first, second, cards, window, PathSearch.WIDE_LANE)
                .or(() -> search(first, second, cards, window, PathSearch.NARROW_LANE));
    }

    private static Optional<List<Point>> search(Port first, Port second, Set<Box> cards, Box window, double lane) {
        return new PathSearch(first.stub(), second.stub(), cards, window, lane)
                .find(first.stub(), first.side(), second.stub(), second.side()).map(way -> {
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
                    return Optional.of(new Known(first, second, link.shape(), from, to, way.get(), window, false));
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
        boolean level = first.side().horizontal() && first.point().y() == second.point().y()
                || !first.side().horizontal() && first.point().x() == second.point().x();
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
