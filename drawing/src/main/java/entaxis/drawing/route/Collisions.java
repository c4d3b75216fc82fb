package entaxis.drawing.route;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.geometry.SpatialIndex;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Finds stretches of different lines that lie on each other, and stretches pushed into a card, after all lanes were
 * spread, and moves them or their neighbours until they are free. Moving the lanes of one direction makes stretches of
 * the other longer, so a last look at the whole is needed. Time n log n in the stretches, and log n for each move that
 * is tried.
 */
final class Collisions {
    /** Stretches nearer to each other than this, in sheet units, are seen as one. */
    private static final double NEAR = 1;
    private static final double OVERLAP = 2;
    /**
     * The least distance of lines from cards, and of the end of a line from a corner of its card and from other lines
     * that run beside it.
     */
    private static final double CLEAR = 2;
    private static final double EDGE = 8;
    private static final int THROUGH_A_CARD = 10;
    private static final int[] SHIFTS = {4, -4, 8, -8, 12, -12, 16, -16, 24, -24, 32, -32, 48, -48, 72, -72};
    private static final int ROUNDS = 3;
    private static final int MAX_TRIES = 40_000;

    private record Stretch(String link, int index, boolean upright, double at, double low, double high) {
        static Stretch of(String link, int index, List<Point> points) {
            Point a = points.get(index);
            Point b = points.get(index + 1);
            boolean upright = a.x() == b.x();
            double from = upright ? a.y() : a.x();
            double to = upright ? b.y() : b.x();
            return new Stretch(link, index, upright, upright ? a.x() : a.y(), Math.min(from, to), Math.max(from, to));
        }

        boolean runsBeside(Stretch other, double distance) {
            return !link.equals(other.link) && Math.abs(at - other.at) < distance
                    && Math.min(high, other.high) - Math.max(low, other.low) > OVERLAP;
        }

        Box box() {
            return upright ? new Box(at, low, 0, high - low) : new Box(low, at, high - low, 0);
        }
    }

    private final Map<String, Link> links = new HashMap<>();
    private final Map<String, List<Point>> searched;
    private final Map<String, List<Point>> ways;
    private final Set<String> byHand;
    private final SpatialIndex cards;
    /** The stretches of all lines as they were spread, by where they lie; those of moved lines are kept beside them. */
    private final List<Stretch> upright = new ArrayList<>();
    private final List<Stretch> level = new ArrayList<>();
    private final Map<String, List<Stretch>> moved = new HashMap<>();
    private final NavigableMap<Double, List<Stretch>> movedUpright = new TreeMap<>();
    private final NavigableMap<Double, List<Stretch>> movedLevel = new TreeMap<>();
    /** How many more ways are tried, so that a sheet with thousands of crowded lines is drawn at once all the same. */
    private int tries = MAX_TRIES;

    /** The ways as they were searched for, on which a line may fall back, and as they were spread. */
    Collisions(Collection<Link> links, Map<String, List<Point>> searched, Map<String, List<Point>> ways,
            Set<String> byHand, SpatialIndex cards) {
        this.searched = searched;
        links.forEach(link -> this.links.put(link.id(), link));
        this.ways = new LinkedHashMap<>(ways);
        this.byHand = byHand;
        this.cards = cards;
    }

    /** The ways with what could be freed freed; what has no room near it stays as it is. */
    Map<String, List<Point>> freed() {
        Set<String> suspects = suspects();
        boolean better = true;
        for (int round = 0; round < ROUNDS && better; round++) {
            better = false;
            for (String link : suspects) {
                better |= free(link);
            }
        }
        return ways;
    }

    /**
     * The lines that lie on others or were pushed into a card: told without the lanes, for on most sheets there are
     * none.
     */
    private Set<String> suspects() {
        Set<String> found = new LinkedHashSet<>();
        ways.forEach((link, points) -> {
            for (Stretch stretch : stretches(link, points)) {
                parallel(stretch).add(stretch);
                if (stretch.index() > 0 && stretch.index() + 2 < points.size() && inACard(stretch)) {
                    found.add(link);
                }
            }
        });
        addPairs(upright, found);
        addPairs(level, found);
        found.removeAll(byHand);
        return found;
    }

    private static void addPairs(List<Stretch> parallel, Set<String> found) {
        parallel.sort(Comparator.comparingDouble(Stretch::at));
        for (int i = 0; i < parallel.size(); i++) {
            Stretch one = parallel.get(i);
            for (int j = i + 1; j < parallel.size() && parallel.get(j).at() - one.at() < NEAR; j++) {
                if (one.runsBeside(parallel.get(j), NEAR)) {
                    found.add(one.link());
                    found.add(parallel.get(j).link());
                }
            }
        }
    }

    /** Moves one stretch of a line to where the line does less harm than now. */
    private boolean free(String link) {
        List<Point> now = ways.get(link);
        int harm = harm(link, now);
        for (int by : harm == 0 || tries < 0 ? new int[0] : SHIFTS) {
            tries -= now.size();
            for (int index = now.size() - 2; index >= 0; index--) {
                Optional<List<Point>> way =
                        shifted(link, now, index, by).filter(it -> sameTurns(now, it) && harm(link, it) < harm);
                if (way.isPresent()) {
                    replace(link, way.get());
                    return true;
                }
            }
        }
        boolean better = harm > harm(link, searched.get(link));
        if (better) {
            replace(link, searched.get(link));
        }
        return better;
    }

    private void replace(String link, List<Point> way) {
        List<Stretch> now = stretches(link, way);
        moved.getOrDefault(link, List.of())
                .forEach(stretch -> movedParallel(stretch).get(stretch.at()).remove(stretch));
        now.forEach(
                stretch -> movedParallel(stretch).computeIfAbsent(stretch.at(), any -> new ArrayList<>()).add(stretch));
        moved.put(link, now);
        ways.put(link, way);
    }

    private NavigableMap<Double, List<Stretch>> movedParallel(Stretch stretch) {
        return stretch.upright() ? movedUpright : movedLevel;
    }

    private Optional<List<Point>> shifted(String link, List<Point> points, int index, int by) {
        boolean isUpright = Stretch.of(link, index, points).upright();
        List<Point> way = new ArrayList<>(points);
        for (int end = index; end <= index + 1; end++) {
            way.set(end, isUpright ? way.get(end).plus(by, 0) : way.get(end).plus(0, by));
        }
        boolean outermost = index == 0 || index + 2 == points.size();
        boolean stays = (index > 0 || onSide(links.get(link).first(), way.getFirst(), isUpright))
                && (index + 2 < points.size() || onSide(links.get(link).second(), way.getLast(), isUpright));
        return stays && (!outermost || beside(Stretch.of(link, index, way), EDGE) == 0) ? Optional.of(List.copyOf(way))
                : Optional.empty();
    }

    private static boolean onSide(Box card, Point end, boolean isUpright) {
        return isUpright ? end.x() >= card.x() + EDGE && end.x() <= card.right() - EDGE
                : end.y() >= card.y() + EDGE && end.y() <= card.bottom() - EDGE;
    }

    /** Whether each stretch still goes the way it went: none turned back or shrank to nothing. */
    private static boolean sameTurns(List<Point> before, List<Point> after) {
        for (int i = 0; i + 1 < before.size(); i++) {
            double was = before.get(i + 1).x() - before.get(i).x() + before.get(i + 1).y() - before.get(i).y();
            double is = after.get(i + 1).x() - after.get(i).x() + after.get(i + 1).y() - after.get(i).y();
            if (Math.signum(was) != Math.signum(is) || Math.abs(is) < Math.min(Math.abs(was), Port.STUB / 2.0)) {
                return false;
            }
        }
        return true;
    }

    private int harm(String link, List<Point> points) {
        int harm = 0;
        for (Stretch stretch : stretches(link, points)) {
            boolean outermost = stretch.index() == 0 || stretch.index() + 2 == points.size();
            harm += beside(stretch, NEAR) + (!outermost && inACard(stretch) ? THROUGH_A_CARD : 0);
        }
        return harm;
    }

    private boolean inACard(Stretch stretch) {
        return !cards.free(stretch.box().grown(CLEAR));
    }

    private int beside(Stretch stretch, double distance) {
        List<Stretch> parallel = parallel(stretch);
        int count = 0;
        for (int i = firstFrom(parallel, stretch.at() - distance);
                i < parallel.size() && parallel.get(i).at() < stretch.at() + distance; i++) {
            count += stretch.runsBeside(parallel.get(i), distance) && !moved.containsKey(parallel.get(i).link()) ? 1
                    : 0;
        }
        for (List<Stretch> others : movedParallel(stretch)
                .subMap(stretch.at() - distance, true, stretch.at() + distance, true).values()) {
            for (Stretch other : others) {
                count += stretch.runsBeside(other, distance) ? 1 : 0;
            }
        }
        return count;
    }

    private static int firstFrom(List<Stretch> parallel, double at) {
        int low = 0;
        int high = parallel.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (parallel.get(middle).at() < at) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private List<Stretch> parallel(Stretch stretch) {
        return stretch.upright() ? upright : level;
    }

    private static List<Stretch> stretches(String link, List<Point> points) {
        List<Stretch> stretches = new ArrayList<>();
        for (int i = 0; i + 1 < points.size(); i++) {
            stretches.add(Stretch.of(link, i, points));
        }
        return stretches;
    }
}
