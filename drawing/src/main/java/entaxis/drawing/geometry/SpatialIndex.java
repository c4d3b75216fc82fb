package entaxis.drawing.geometry;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.LongConsumer;

/** Boxes found by place, in time proportional to the area asked about: kept in square cells. */
public final class SpatialIndex {
    private static final double CELL = 300;

    /** An odd number: without it the cells of a square grid nearly all fall on the same few hashes. */
    private static final long SPREAD = 0x9e3779b97f4a7c15L;

    private final Map<Long, List<Box>> cells = new HashMap<>();

    /** Adds a box. */
    public void add(Box box) {
        visit(box, key -> cells.computeIfAbsent(key, any -> new ArrayList<>(4)).add(box));
    }

    /** All boxes that overlap a window. */
    public Set<Box> within(Box window) {
        Set<Box> found = new HashSet<>();
        visit(window, key -> {
            for (Box box : cells.getOrDefault(key, List.of())) {
                if (window.overlaps(box)) {
                    found.add(box);
                }
            }
        });
        return found;
    }

    /** Whether no box overlaps a window. */
    public boolean free(Box window) {
        for (long i = cell(window.x()); i <= cell(window.right()); i++) {
            for (long j = cell(window.y()); j <= cell(window.bottom()); j++) {
                for (Box box : cells.getOrDefault(key(i, j), List.of())) {
                    if (window.overlaps(box)) {
                        return false;
                    }
                }
            }
        }
        return true;
    }

    private static void visit(Box box, LongConsumer cell) {
        for (long i = cell(box.x()); i <= cell(box.right()); i++) {
            for (long j = cell(box.y()); j <= cell(box.bottom()); j++) {
                cell.accept(key(i, j));
            }
        }
    }

    private static long cell(double coordinate) {
        return (long) Math.floor(coordinate / CELL);
    }

    private static long key(long column, long row) {
        return (column << 32 ^ row & 0xffffffffL) * SPREAD;
    }
}
