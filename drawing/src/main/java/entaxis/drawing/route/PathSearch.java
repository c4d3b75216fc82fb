package entaxis.drawing.route;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.TreeSet;

/**
 * A shortest orthogonal way around boxes with few bends: A* over (grid point, direction) on the sparse grid of lines
 * beside the boxes (Hart, Nilsson and Raphael 1968). With k boxes the grid has O(k²) points; the search gives up after
 * a fixed number of steps.
 */
final class PathSearch {
    /** Distance that lines keep from cards. */
    static final double CLEARANCE = 10;
    /**
     * Distance at which lanes run beside cards: beyond the symbols at line ends, or close by where there is no room for
     * that.
     */
    static final double WIDE_LANE = 28;
    static final double NARROW_LANE = 14;
    private static final double BEND = 40;
    private static final double HEURISTIC_WEIGHT = 1.05;
    private static final int MAX_STEPS = 40_000;
    private static final int[] DX = {1, 0, -1, 0};
    private static final int[] DY = {0, 1, 0, -1};

    private record State(int node, int direction, double cost, double estimate) implements Comparable<State> {
        @Override
        public int compareTo(State other) {
            return Double.compare(estimate, other.estimate);
        }
    }

    private final double[] xs;
    private final double[] ys;
    private final boolean[] blockedRight;
    private final boolean[] blockedDown;

    /** The boxes are all that overlap the window; no way leaves it, as nothing is known of what stands outside. */
    PathSearch(Point from, Point to, Collection<Box> boxes, Box window, double lane) {
        TreeSet<Double> columns = new TreeSet<>(List.of(from.x(), to.x(), middle(from.x(), to.x())));
        TreeSet<Double> rows = new TreeSet<>(List.of(from.y(), to.y(), middle(from.y(), to.y())));
        for (Box box : boxes) {
            columns.add(box.x() - lane);
            columns.add(box.right() + lane);
            rows.add(box.y() - lane);
            rows.add(box.bottom() + lane);
        }
        xs = columns.subSet(window.x(), window.right()).stream().mapToDouble(Double::doubleValue).toArray();
        ys = rows.subSet(window.y(), window.bottom()).stream().mapToDouble(Double::doubleValue).toArray();
        blockedRight = new boolean[xs.length * ys.length];
        blockedDown = new boolean[xs.length * ys.length];
        boxes.forEach(box -> block(box.grown(CLEARANCE)));
    }

    private static double middle(double a, double b) {
        return Math.round((a + b) / 2);
    }

    private void block(Box box) {
        int left = Math.max(0, below(xs, box.x()));
        int right = Math.min(xs.length - 2, below(xs, box.right()));
        int top = Math.max(0, below(ys, box.y()));
        int bottom = Math.min(ys.length - 2, below(ys, box.bottom()));
        for (int j = above(ys, box.y()); j < ys.length && ys[j] < box.bottom(); j++) {
            for (int i = left; i <= right; i++) {
                blockedRight[node(i, j)] |= xs[i] < box.right() && xs[i + 1] > box.x();
            }
        }
        for (int i = above(xs, box.x()); i < xs.length && xs[i] < box.right(); i++) {
            for (int j = top; j <= bottom; j++) {
                blockedDown[node(i, j)] |= ys[j] < box.bottom() && ys[j + 1] > box.y();
            }
        }
    }

    /** Index of the first coordinate above a value. */
    private static int above(double[] sorted, double value) {
        return below(sorted, value) + 1;
    }

    /** Index of the last coordinate not above a value; -1 if all are above. */
    private static int below(double[] sorted, double value) {
        int at = Arrays.binarySearch(sorted, value);
        return at >= 0 ? at : -at - 2;
    }

    /**
     * The way from one point, leaving it in a direction, to another, arriving against that one's direction; none within
     * the step limit.
     */
    Optional<List<Point>> find(Point from, Edge leaving, Point to, Edge arriving) {
        int start = node(Arrays.binarySearch(xs, from.x()), Arrays.binarySearch(ys, from.y()));
        int goal = node(Arrays.binarySearch(xs, to.x()), Arrays.binarySearch(ys, to.y()));
        int inward = direction(-arriving.dx(), -arriving.dy());
        double[] best = new double[xs.length * ys.length * 4];
        int[] cameFrom = new int[best.length];
        Arrays.fill(best, Double.POSITIVE_INFINITY);
        int first = start * 4 + direction(leaving.dx(), leaving.dy());
        best[first] = 0;
        cameFrom[first] = -1;
        PriorityQueue<State> open = new PriorityQueue<>();
        open.add(new State(start, first % 4, 0, 0));
        for (int step = 0; !open.isEmpty() && step < MAX_STEPS; step++) {
            State at = open.poll();
            int key = at.node() * 4 + at.direction();
            if (at.cost() > best[key]) {
                continue;
            }
            if (at.node() == goal && at.direction() == inward) {
                return Optional.of(trace(cameFrom, key));
            }
            for (int turn = 0; turn < 4; turn++) {
                expand(at, key, turn, goal, inward, best, cameFrom, open);
            }
        }
        return Optional.empty();
    }

    private void expand(State at, int key, int turn, int goal, int inward, double[] best, int[] cameFrom,
            PriorityQueue<State> open) {
        boolean back = Math.abs(turn - at.direction()) == 2;
        if (back) {
            return;
        }
        int node = at.node();
        double cost = at.cost();
        if (turn == at.direction()) {
            int i = node % xs.length + DX[turn];
            int j = node / xs.length + DY[turn];
            if (i < 0 || j < 0 || i >= xs.length || j >= ys.length || blocked(node, node(i, j), turn)) {
                return;
            }
            cost += Math.abs(xs[i] - xs[node % xs.length]) + Math.abs(ys[j] - ys[node / xs.length]);
            node = node(i, j);
        } else {
            cost += BEND;
        }
        int next = node * 4 + turn;
        if (cost < best[next]) {
            best[next] = cost;
            cameFrom[next] = key;
            double rest = Math.abs(xs[node % xs.length] - xs[goal % xs.length])
                    + Math.abs(ys[node / xs.length] - ys[goal / xs.length]) + (turn == inward ? 0 : BEND);
            open.add(new State(node, turn, cost, cost + HEURISTIC_WEIGHT * rest));
        }
    }

    private boolean blocked(int from, int to, int direction) {
        return switch (direction) {
            case 0 -> blockedRight[from];
            case 1 -> blockedDown[from];
            case 2 -> blockedRight[to];
            default -> blockedDown[to];
        };
    }

    private List<Point> trace(int[] cameFrom, int end) {
        List<Point> points = new ArrayList<>();
        for (int key = end; key >= 0; key = cameFrom[key]) {
            int node = key / 4;
            Point point = new Point(xs[node % xs.length], ys[node / xs.length]);
            if (points.isEmpty() || !points.getLast().equals(point)) {
                points.add(point);
            }
        }
        return points.reversed();
    }

    private int node(int i, int j) {
        return j * xs.length + i;
    }

    private static int direction(int dx, int dy) {
        return dx > 0 ? 0 : dy > 0 ? 1 : dx < 0 ? 2 : 3;
    }
}
