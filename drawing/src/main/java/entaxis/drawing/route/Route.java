package entaxis.drawing.route;

import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import java.util.List;

/** The way a line takes, from the first card's edge to the second's. */
public record Route(List<Point> points, Edge firstSide, Edge secondSide) {
    /** Copies the points. */
    public Route {
        points = List.copyOf(points);
    }
}
