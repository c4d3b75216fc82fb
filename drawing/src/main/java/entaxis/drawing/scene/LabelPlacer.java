package entaxis.drawing.scene;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.geometry.SpatialIndex;
import entaxis.drawing.scene.Line.Label;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Finds the place of a line's text: above its longest level stretch that has room, else beside an upright one, clear of cards and of texts placed before. */
final class LabelPlacer {
    private static final double HEIGHT = 16;
    private static final double SYMBOLS = 20;

    private final TextMeasure measure;
    private final SpatialIndex taken;

    LabelPlacer(TextMeasure measure, List<Card> cards) {
        this.measure = measure;
        this.taken = new SpatialIndex();
        cards.forEach(card -> taken.add(card.box()));
    }

    Label place(String text, List<Point> points) {
        double width = Math.ceil(measure.width(text, TextStyle.VERB)) + 4;
        List<Box> candidates = new ArrayList<>();
        stretches(points).forEach(stretch -> candidates.addAll(beside(stretch, width)));
        Box best = candidates.stream().filter(taken::free).findFirst().orElse(candidates.getFirst());
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
        List<Box> boxes = new ArrayList<>();
        if (stretch.level()) {
            double slack = Math.max(0, stretch.length() - width - 2 * SYMBOLS) / 2;
            for (double shift : slack > 8 ? new double[] {0, -slack, slack} : new double[] {0}) {
                boxes.add(new Box(x - width / 2 + shift, y - HEIGHT - 3, width, HEIGHT));
                boxes.add(new Box(x - width / 2 + shift, y + 4, width, HEIGHT));
            }
        } else {
            double slack = Math.max(0, stretch.length() - HEIGHT - 2 * SYMBOLS) / 2;
            for (double shift : slack > 8 ? new double[] {0, -slack, slack} : new double[] {0}) {
                boxes.add(new Box(x + 6, y - HEIGHT / 2 + shift, width, HEIGHT));
                boxes.add(new Box(x - 6 - width, y - HEIGHT / 2 + shift, width, HEIGHT));
            }
        }
        return boxes;
    }
}
