package entaxis.drawing.route;

import entaxis.drawing.geometry.Point;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Moves stretches of different lines apart that lie on each other. The stretches that touch cards, and those of lines
 * drawn by hand, stay; others give way to them. Time n log n in the stretches.
 */
final class Lanes {
    private static final double GAP = 8;
    /** All lanes together stay within the clearance that lines keep from cards. */
    private static final double ROOM = 18;

    private static final int PASSES = 4;

    /**
     * Where a stretch ends: at which coordinate along it, and which way the line goes on from there, across the lane:
     * -1, 0 or 1.
     */
    private record Turn(double along, int towards) {
        static Turn at(Point end, Point next, boolean vertical) {
            return new Turn(vertical ? end.y() : end.x(),
                    (int) Math.signum(vertical ? next.x() - end.x() : next.y() - end.y()));
        }

        /** Whether a line that turns upwards of the lane here crosses one that turns downwards of it there. */
        boolean crosses(Turn other) {
            return towards > 0 && other.towards < 0 && Math.abs(other.along - along) < 1;
        }
    }

    private record Stretch(String link, int index, double low, double high, double leaning, boolean fixed,
            List<Point> points, boolean vertical) {
        /** Whether this one, on the lower side of the other, would lie on the other's way where both turn. */
        boolean mustNotBeBelow(Stretch other) {
            for (Turn turn : turns()) {
                for (Turn its : other.turns()) {
                    if (turn.crosses(its)) {
                        return true;
                    }
                }
            }
            return false;
        }

        /** Where it turns; none where the line begins or ends. Most stretches are alone and never asked. */
        private List<Turn> turns() {
            List<Turn> turns = new ArrayList<>(2);
            if (index > 0) {
                turns.add(Turn.at(points.get(index), points.get(index - 1), vertical));
            }
            if (index + 2 < points.size()) {
                turns.add(Turn.at(points.get(index + 1), points.get(index + 2), vertical));
            }
            return turns;
        }
    }

    private final Map<String, List<Point>> ways;
    private final Set<String> byHand;

    Lanes(Map<String, List<Point>> ways, Set<String> byHand) {
        this.ways = ways;
        this.byHand = byHand;
    }

    Map<String, List<Point>> spread() {
        Map<String, List<Point>> result = new LinkedHashMap<>(ways);
        for (int pass = 0; pass < PASSES; pass++) {
            boolean vertical = pass % 2 == 0;
            Map<Double, List<Stretch>> byLane = new TreeMap<>();
            result.forEach((link, points) -> collect(link, points, vertical, byLane));
            byLane.values().stream().filter(lane -> lane.size() > 1)
                    .forEach(lane -> clusters(lane).forEach(cluster -> shift(cluster, vertical, result)));
        }
        return result;
    }

    private void collect(String link, List<Point> points, boolean vertical, Map<Double, List<Stretch>> byLane) {
        for (int i = 0; i + 1 < points.size(); i++) {
            Point a = points.get(i);
            Point b = points.get(i + 1);
            boolean isVertical = a.x() == b.x();
            if (isVertical == vertical) {
                double from = vertical ? a.y() : a.x();
                double to = vertical ? b.y() : b.x();
                boolean fixed = i == 0 || i + 2 == points.size() || byHand.contains(link);
                Point before = points.get(Math.max(0, i - 1));
                Point after = points.get(Math.min(points.size() - 1, i + 2));
                double leaning = vertical ? before.x() + after.x() : before.y() + after.y();
                byLane.computeIfAbsent(vertical ? a.x() : a.y(), any -> new ArrayList<>())
                        .add(new Stretch(link, i, Math.min(from, to), Math.max(from, to), leaning, fixed,
                                points, vertical));
            }
        }
    }

    /** Groups of stretches on one lane that overlap, directly or by way of others. */
    private static List<List<Stretch>> clusters(List<Stretch> lane) {
        lane.sort(Comparator.comparingDouble(Stretch::low));
        List<List<Stretch>> clusters = new ArrayList<>();
        double reach = Double.NEGATIVE_INFINITY;
        for (Stretch stretch : lane) {
            if (stretch.low() > reach + 1) {
                clusters.add(new ArrayList<>());
            }
            clusters.getLast().add(stretch);
            reach = Math.max(reach, stretch.high());
        }
        return clusters;
    }

    private static void shift(List<Stretch> cluster, boolean vertical, Map<String, List<Point>> result) {
        if (cluster.size() < 2 || cluster.stream().allMatch(Stretch::fixed)) {
            return;
        }
        cluster.sort(Comparator.comparingDouble(Stretch::leaning).thenComparing(Stretch::link));
        for (int i = 0; i < cluster.size(); i++) {
            for (int j = i + 1; j < cluster.size(); j++) {
                if (cluster.get(i).mustNotBeBelow(cluster.get(j)) && !cluster.get(j).mustNotBeBelow(cluster.get(i))) {
                    Collections.swap(cluster, i, j);
                }
            }
        }
        int middle = (int) cluster.stream().filter(Stretch::fixed).count() == 0 ? -1
                : cluster.indexOf(cluster.stream().filter(Stretch::fixed).findFirst().orElseThrow());
        double gap = Math.min(GAP, ROOM / cluster.size());
        for (int i = 0; i < cluster.size(); i++) {
            Stretch stretch = cluster.get(i);
            double by = stretch.fixed() ? 0 : (i - (middle < 0 ? (cluster.size() - 1) / 2.0 : middle)) * gap;
            List<Point> points = new ArrayList<>(result.get(stretch.link()));
            for (int end = stretch.index(); end <= stretch.index() + 1 && by != 0; end++) {
                points.set(end, vertical ? points.get(end).plus(by, 0) : points.get(end).plus(0, by));
            }
            result.put(stretch.link(), List.copyOf(points));
        }
    }
}
