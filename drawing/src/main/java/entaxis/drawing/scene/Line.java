package entaxis.drawing.scene;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import java.util.List;
import java.util.Optional;

/**
 * A relationship, one half of a resolved many-to-many, or the way from an entity to the sign of its kinds, as it is
 * drawn.
 *
 * @param id     identity on the sheet
 * @param stated identity of what it stands for
 * @param solid  whether it is identifying (solid) or not (dashed)
 * @param plain  whether its ends carry no signs
 * @param bent   whether its corners were set by hand
 * @param points corners from the first end to the second
 * @param labels texts along it
 * @param sign   the sign at which the lines of a category meet, drawn with the first of them
 */
public record Line(String id, String stated, boolean solid, boolean plain, boolean bent, List<Point> points,
        LineEnd first, LineEnd second, List<Label> labels,
        Optional<Sign> sign) {
    /** Copies the lists. */
    public Line {
        points = List.copyOf(points);
        labels = List.copyOf(labels);
    }

    /** The same with a text along it. */
    Line with(Label label) {
        return new Line(id, stated, solid, plain, bent, points, first, second, List.of(label), sign);
    }

    /** A text with its box; the baseline is at the box's foot. */
    public record Label(String text, Box box) { }

    /**
     * The sign of a category (FIPS PUB 184): a circle over one line, or over two where the kinds are all there are.
     *
     * @param words what stands beside it
     */
    public record Sign(Box box, boolean complete, String words) { }
}
