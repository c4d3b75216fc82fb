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
        visit(box, key -> cells.computeIfAbsent(key, any -> new ArrayList<>()).add(box));
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
        return within(window).isEmpty();
    }

    private static void visit(Box box, LongConsumer cell) {
        for (long i = (long) Math.floor(box.x() / CELL); i <= (long) Math.floor(box.right() / CELL); i++) {
            for (long j = (long) Math.floor(box.y() / CELL); j <= (long) Math.floor(box.bottom() / CELL); j++) {
                cell.accept((i << 32 ^ j & 0xffffffffL) * SPREAD);
            }
        }
    }
}
