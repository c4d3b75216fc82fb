package entaxis.drawing.layout;

import java.util.ArrayList;
import java.util.List;

/**
 * Packs blocks into a strip from the top down, each where its upper edge comes highest, further left before further
 * right (the skyline bottom-left rule). Quadratic in the blocks.
 */
final class Skyline {
    private final double width;
    private final List<Step> steps = new ArrayList<>();

    /** A stretch of the strip that is taken down to some depth. */
    private record Step(double from, double to, double depth) { }

    /** Where a block goes. */
    record Spot(double x, double y) { }

    /** An empty strip. */
    Skyline(double width) {
        this.width = width;
        steps.add(new Step(0, width, 0));
    }

    /** Takes room for a block; one wider than the strip lies at its left edge, below all others. */
    Spot take(double wide, double high) {
        double x = 0;
        double y = Double.MAX_VALUE;
        for (Step step : steps) {
            double depth = depth(step.from(), step.from() + wide);
            if (depth < y && (step.from() + wide <= width || step.from() == 0)) {
                x = step.from();
                y = depth;
            }
        }
        cover(x, x + wide, y + high);
        return new Spot(x, y);
    }

    private double depth(double from, double to) {
        return steps.stream().filter(step -> step.from() < to && step.to() > from).mapToDouble(Step::depth).max()
                .orElse(0);
    }

    private void cover(double from, double to, double depth) {
        List<Step> next = new ArrayList<>();
        for (Step step : steps) {
            if (step.from() < from) {
                next.add(new Step(step.from(), Math.min(step.to(), from), step.depth()));
            }
        }
        next.add(new Step(from, to, depth));
        for (Step step : steps) {
            if (step.to() > to) {
                next.add(new Step(Math.max(step.from(), to), step.to(), step.depth()));
            }
        }
        steps.clear();
        steps.addAll(next);
    }
}
