package entaxis.drawing.route;

import entaxis.drawing.geometry.Point;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Moves stretches of different lines apart that lie on each other. The stretches that touch cards stay. Time n log n in the stretches. */
final class Lanes {
    private static final double GAP = 8;
    /** All lanes together stay within the clearance that lines keep from cards. */
    private static final double ROOM = 18;

    private record Stretch(String link, int index, double low, double high, double leaning) { }

    private final Map<String, List<Point>> ways;

    Lanes(Map<String, List<Point>> ways) {
        this.ways = ways;
    }

    Map<String, List<Point>> spread() {
        Map<String, List<Point>> result = new LinkedHashMap<>(ways);
        for (boolean vertical : new boolean[] {true, false}) {
            Map<Double, List<Stretch>> byLane = new TreeMap<>();
            ways.forEach((link, points) -> collect(link, points, vertical, byLane));
            byLane.values().stream().filter(lane -> lane.size() > 1).forEach(lane -> clusters(lane).forEach(cluster -> shift(cluster, vertical, result)));
        }
        return result;
    }

    private static void collect(String link, List<Point> points, boolean vertical, Map<Double, List<Stretch>> byLane) {
        for (int i = 1; i + 2 < points.size(); i++) {
            Point a = points.get(i);
            Point b = points.get(i + 1);
            boolean isVertical = a.x() == b.x();
            if (isVertical == vertical) {
                double from = vertical ? a.y() : a.x();
                double to = vertical ? b.y() : b.x();
                Point before = points.get(i - 1);
                Point after = points.get(i + 2);
                double leaning = vertical ? before.x() + after.x() : before.y() + after.y();
                byLane.computeIfAbsent(vertical ? a.x() : a.y(), any -> new ArrayList<>())
                        .add(new Stretch(link, i, Math.min(from, to), Math.max(from, to), leaning));
            }
        }
    }

    /** Groups of stretches on one lane that overlap, directly or by way of others. */
    private static List<List<Stretch>> clusters(List<Stretch> lane) {
        lane.sort(Comparator.comparingDouble(Stretch::low));
        List<List<Stretch>> clusters = new ArrayList<>();
        double reach = Double.NEGATIVE_INFINITY;
        for (Stretch stretch : lane) {
            if (stretch.low() >= reach) {
                clusters.add(new ArrayList<>());
            }
            clusters.getLast().add(stretch);
            reach = Math.max(reach, stretch.high());
        }
        return clusters;
    }

    private static void shift(List<Stretch> cluster, boolean vertical, Map<String, List<Point>> result) {
        if (cluster.size() < 2) {
            return;
        }
        cluster.sort(Comparator.comparingDouble(Stretch::leaning).thenComparing(Stretch::link));
        double gap = Math.min(GAP, ROOM / cluster.size());
        for (int i = 0; i < cluster.size(); i++) {
            Stretch stretch = cluster.get(i);
            double by = (i - (cluster.size() - 1) / 2.0) * gap;
            List<Point> points = new ArrayList<>(result.get(stretch.link()));
            for (int end = stretch.index(); end <= stretch.index() + 1; end++) {
                points.set(end, vertical ? points.get(end).plus(by, 0) : points.get(end).plus(0, by));
            }
            result.put(stretch.link(), List.copyOf(points));
        }
    }
}
