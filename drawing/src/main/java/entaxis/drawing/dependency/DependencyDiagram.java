package entaxis.drawing.dependency;

import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * The geometry of a dependency diagram, as textbooks draw it: attributes in one row, the key first, full dependencies
 * above, the others below.
 *
 * @param boxes in the order in which they are drawn
 */
public record DependencyDiagram(List<Attribute> boxes, List<Arrow> arrows, double width, double height) {
    /** Height of an attribute's box. */
    public static final double BOX = 28;
    private static final double PAD = 14;
    private static final double GAP = 10;
    private static final double MARGIN = 24;
    private static final double LEVEL = 38;
    private static final double FIRST_LEVEL = 34;
    private static final double PORT = 11;

    /** How a line is drawn, so that it is told apart without colour. */
    public enum Pattern { FULL, PARTIAL, TRANSITIVE, PART_OF_KEY, MANY }

    /** A dependency to draw: attributes by their places. */
    public record Drawn(List<Integer> determinant, List<Integer> dependent, Pattern pattern, String label) { }

    /** An attribute's box, with its place in the relation. */
    public record Attribute(int place, String name, boolean key, double x, double y, double width) { }

    /**
     * A dependency's line.
     *
     * @param bar  height at which it runs along the row
     * @param from where it leaves determinants
     * @param to   where it reaches dependents
     */
    public record Arrow(Pattern pattern, String label, boolean above, double row, double bar, List<Double> from,
            List<Double> to) {
        /** Left end of the bar. */
        public double left() {
            return Stream.concat(from.stream(), to.stream()).min(Comparator.naturalOrder()).orElse(0.0);
        }

        /** Right end of the bar. */
        public double right() {
            return Stream.concat(from.stream(), to.stream()).max(Comparator.naturalOrder()).orElse(0.0);
        }

        /** Where the words begin that are this wide: in the middle of the bar. */
        public double labelLeft(double width) {
            return Math.max(4, (left() + right() - width) / 2);
        }

        /** The baseline of words this wide: on the bar, or beyond it where it is too short for them. */
        public double labelBaseline(double width) {
            return right() - left() > width + 24 ? bar + 4 : above ? bar - 7 : bar + 15;
        }
    }

    /** Lays out a diagram; the key's attributes come first. */
    public static DependencyDiagram of(List<String> names, List<Integer> key, List<Drawn> dependencies,
            TextMeasure measure) {
        List<Integer> order = new ArrayList<>(key);
        for (int i = 0; i < names.size(); i++) {
            if (!order.contains(i)) {
                order.add(i);
            }
        }
        Map<Integer, double[]> spans = new HashMap<>();
        double x = MARGIN;
        for (int place : order) {
            double width = Math.max(36, Math.ceil(measure.width(names.get(place), TextStyle.NAME)) + 2 * PAD);
            spans.put(place, new double[] {x, width});
            x += width + GAP;
        }
        List<Drawn> above = dependencies.stream().filter(one -> one.pattern() == Pattern.FULL).toList();
        List<Drawn> below = dependencies.stream().filter(one -> one.pattern() != Pattern.FULL).toList();
        int[] levelsAbove = levels(above, spans);
        int[] levelsBelow = levels(below, spans);
        int up = highest(levelsAbove);
        int down = highest(levelsBelow);
        double row = MARGIN + (up < 0 ? 0 : FIRST_LEVEL + up * LEVEL + 12);
        List<Arrow> arrows = new ArrayList<>();
        arrows(above, levelsAbove, spans, true, row, arrows);
        arrows(below, levelsBelow, spans, false, row + BOX, arrows);
        List<Attribute> boxes = order.stream().map(place -> new Attribute(place, names.get(place), key.contains(place),
                spans.get(place)[0], row, spans.get(place)[1])).toList();
        double height = row + BOX + MARGIN + (down < 0 ? 0 : FIRST_LEVEL + down * LEVEL + 16);
        return new DependencyDiagram(boxes, arrows, Math.max(x - GAP + MARGIN, 200), height);
    }

    private static int highest(int[] levels) {
        int highest = -1;
        for (int level : levels) {
            highest = Math.max(highest, level);
        }
        return highest;
    }

    /** Bars that do not overlap share a level; shorter ones lie nearer to the row. */
    private static int[] levels(List<Drawn> some, Map<Integer, double[]> spans) {
        int[] levels = new int[some.size()];
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < levels.length; i++) {
            order.add(i);
        }
        order.sort(Comparator.comparingDouble(i -> span(some.get(i), spans)[1] - span(some.get(i), spans)[0]));
        List<List<double[]>> taken = new ArrayList<>();
        for (int i : order) {
            double[] span = span(some.get(i), spans);
            int level = 0;
            while (level < taken.size()
                    && taken.get(level).stream().anyMatch(other -> other[0] < span[1] && span[0] < other[1])) {
                level++;
            }
            if (level == taken.size()) {
                taken.add(new ArrayList<>());
            }
            taken.get(level).add(span);
            levels[i] = level;
        }
        return levels;
    }

    private static double[] span(Drawn one, Map<Integer, double[]> spans) {
        double left = Double.MAX_VALUE;
        double right = 0;
        for (int place : Stream.concat(one.determinant().stream(), one.dependent().stream()).toList()) {
            left = Math.min(left, spans.get(place)[0]);
            right = Math.max(right, spans.get(place)[0] + spans.get(place)[1]);
        }
        return new double[] {left, right};
    }

    private static void arrows(List<Drawn> some, int[] levels, Map<Integer, double[]> spans, boolean above, double row,
            List<Arrow> arrows) {
        Map<Integer, Integer> uses = new HashMap<>();
        some.forEach(one -> Stream.concat(one.determinant().stream(), one.dependent().stream())
                .forEach(place -> uses.merge(place, 1, Integer::sum)));
        Map<Integer, Integer> used = new HashMap<>();
        for (int i = 0; i < some.size(); i++) {
            Drawn one = some.get(i);
            double bar = above ? row - FIRST_LEVEL - levels[i] * LEVEL : row + FIRST_LEVEL + levels[i] * LEVEL;
            arrows.add(new Arrow(one.pattern(), one.label(), above, row, bar,
                    one.determinant().stream().map(place -> port(place, spans, uses, used)).toList(),
                    one.dependent().stream().map(place -> port(place, spans, uses, used)).toList()));
        }
    }

    /** Where a line meets a box: side by side where there are several. */
    private static double port(int place, Map<Integer, double[]> spans, Map<Integer, Integer> uses,
            Map<Integer, Integer> used) {
        int nth = used.merge(place, 1, Integer::sum) - 1;
        double step = Math.min(PORT, (spans.get(place)[1] - 12) / Math.max(1, uses.get(place)));
        return Math.round(spans.get(place)[0] + spans.get(place)[1] / 2 + (nth - (uses.get(place) - 1) / 2.0) * step);
    }
}
