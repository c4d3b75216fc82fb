package entaxis.drawing.scene;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import java.util.List;

/**
 * A relationship, or one half of a resolved many-to-many, as it is drawn.
 *
 * @param id     identity on the sheet
 * @param solid  whether it is identifying (solid) or not (dashed)
 * @param points corners from the first end to the second
 * @param labels texts along it
 */
public record Line(String id, String relationship, boolean solid, List<Point> points, LineEnd first, LineEnd second, List<Label> labels) {
    /** Copies the lists. */
    public Line {
        points = List.copyOf(points);
        labels = List.copyOf(labels);
    }

    /** A text with its box; the baseline is at the box's foot. */
    public record Label(String text, Box box) { }
}
