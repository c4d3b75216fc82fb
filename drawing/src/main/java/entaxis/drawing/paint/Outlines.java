package entaxis.drawing.paint;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import java.awt.Shape;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.List;

/** The outlines that drawings are made of. */
final class Outlines {
    /**
     * How far the handles of a cubic curve lie that comes closest to a quarter of a circle: 4/3 (√2 − 1) of its radius.
     */
    private static final double QUARTER = 0.5523;

    private Outlines() { }

    static Shape rectangle(Box box) {
        return new Rectangle2D.Double(box.x(), box.y(), box.width(), box.height());
    }

    static Shape rounded(Box box, double radius) {
        return new RoundRectangle2D.Double(box.x(), box.y(), box.width(), box.height(), 2 * radius, 2 * radius);
    }

    static Shape circle(double x, double y, double radius) {
        return new Ellipse2D.Double(x - radius, y - radius, 2 * radius, 2 * radius);
    }

    static Shape across(double from, double to, double y) {
        return way(List.of(new Point(from, y), new Point(to, y)));
    }

    static Path2D way(List<Point> points) {
        Path2D path = new Path2D.Double();
        add(path, points);
        return path;
    }

    static void add(Path2D path, List<Point> points) {
        path.moveTo(points.getFirst().x(), points.getFirst().y());
        points.stream().skip(1).forEach(point -> path.lineTo(point.x(), point.y()));
    }

    static Path2D closed(Point... points) {
        Path2D path = way(List.of(points));
        path.closePath();
        return path;
    }

    /** A band along the left edge of a card, round where the card is. */
    static Shape spine(double width, double height, double radius) {
        double handle = radius * (1 - QUARTER);
        Path2D path = new Path2D.Double();
        path.moveTo(width, 0);
        path.lineTo(radius, 0);
        path.curveTo(handle, 0, 0, handle, 0, radius);
        path.lineTo(0, height - radius);
        path.curveTo(0, height - handle, handle, height, radius, height);
        path.lineTo(width, height);
        path.closePath();
        return path;
    }
}
