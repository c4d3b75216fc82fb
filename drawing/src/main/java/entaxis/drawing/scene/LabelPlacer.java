package entaxis.drawing.scene;

import entaxis.core.design.Notation;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.geometry.SpatialIndex;
import entaxis.drawing.scene.Line.Label;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Finds the place of a line's text: beside its longest stretch that has room, clear of cards and of texts placed
 * before, and where there is room also of all lines and of the signs at their ends.
 */
final class LabelPlacer {
    private static final double HEIGHT = 16;
    private static final double SYMBOLS = 20;
    /** How far the signs of an end reach out from the card and to either side. */
    private static final double SIGN_OUT = 22;
    private static final double SIGN_ASIDE = 8;
    private static final double WORD_OUT = 44;
    private static final double WORD_ASIDE = 22;
    private static final double[] SHIFTS = {0, -0.5, 0.5, -1, 1};

    private final TextMeasure measure;
    private final SpatialIndex taken = new SpatialIndex();
    private final SpatialIndex drawn = new SpatialIndex();

    /** A placer among cards and lines that have their ways. */
    LabelPlacer(TextMeasure measure, List<Card> cards, List<Line> lines, Notation notation) {
        this.measure = measure;
        cards.forEach(card -> taken.add(card.box()));
        boolean words = notation == Notation.CHEN || notation == Notation.UML || notation == Notation.MIN_MAX;
        for (Line line : lines) {
            for (int i = 0; i + 1 < line.points().size(); i++) {
                drawn.add(around(line.points().get(i), line.points().get(i + 1)).grown(1));
            }
            if (!line.plain()) {
                drawn.add(signs(line.first(), line.points().getFirst(), words));
                drawn.add(signs(line.second(), line.points().getLast(), words));
            }
        }
    }

    private static Box around(Point a, Point b) {
        return new Box(Math.min(a.x(), b.x()), Math.min(a.y(), b.y()), Math.abs(a.x() - b.x()),
                Math.abs(a.y() - b.y()));
    }

    /**
     * The room that the signs at an end take; words stand above a level line and right of an upright one, numbers of
     * assumptions below or right.
     */
    private static Box signs(LineEnd end, Point at, boolean words) {
        double out = (words ? WORD_OUT : SIGN_OUT) + 20 * end.assumptions().size();
        double aside = words || !end.assumptions().isEmpty() ? WORD_ASIDE : SIGN_ASIDE;
        return switch (end.side()) {
            case LEFT -> new Box(at.x() - out, at.y() - aside, out, 2 * aside);
            case RIGHT -> new Box(at.x(), at.y() - aside, out, 2 * aside);
            case TOP -> new Box(at.x() - aside, at.y() - out, 2 * aside, out);
            case BOTTOM -> new Box(at.x() - aside, at.y(), 2 * aside, out);
        };
    }

    Label place(String text, List<Point> points) {
        double width = Math.ceil(measure.width(text, TextStyle.VERB)) + 4;
        List<Box> candidates = new ArrayList<>();
        stretches(points).forEach(stretch -> candidates.addAll(beside(stretch, width)));
        List<Box> free = candidates.stream().filter(taken::free).toList();
        Box best = free.stream().filter(drawn::free).findFirst()
                .orElseGet(() -> free.isEmpty() ? candidates.getFirst() : free.getFirst());
        taken.add(best);
        return new Label(text, best);
    }

    private record Stretch(Point from, Point to) {
        boolean level() {
            return from.y() == to.y();
        }

        double length() {
            return Math.abs(from.x() - to.x()) + Math.abs(from.y() - to.y());
        }
    }

    private static List<Stretch> stretches(List<Point> points) {
        List<Stretch> stretches = new ArrayList<>();
        for (int i = 0; i + 1 < points.size(); i++) {
            stretches.add(new Stretch(points.get(i), points.get(i + 1)));
        }
        stretches.sort(Comparator.comparingDouble(Stretch::length).reversed());
        return stretches;
    }

    private static List<Box> beside(Stretch stretch, double width) {
        double x = (stretch.from().x() + stretch.to().x()) / 2;
        double y = (stretch.from().y() + stretch.to().y()) / 2;
        double slack = Math.max(0, stretch.length() - (stretch.level() ? width : HEIGHT) - 2 * SYMBOLS) / 2;
        List<Box> boxes = new ArrayList<>();
        for (double part : SHIFTS) {
            double shift = part * slack;
            if (part != 0 && slack <= 8) {
                continue;
            }
            if (stretch.level()) {
                boxes.add(new Box(x - width / 2 + shift, y - HEIGHT - 3, width, HEIGHT));
                boxes.add(new Box(x - width / 2 + shift, y + 4, width, HEIGHT));
            } else {
                boxes.add(new Box(x + 6, y - HEIGHT / 2 + shift, width, HEIGHT));
                boxes.add(new Box(x - 6 - width, y - HEIGHT / 2 + shift, width, HEIGHT));
            }
        }
        return boxes;
    }
}
