package entaxis.drawing.route;

import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;

/** Where a line meets a card. */
record Port(Point point, Edge side) {
    /** Room that the end's symbol needs before the line may turn. */
    static final int STUB = 26;

    /** The point from which the line is free to turn. */
    Point stub() {
        return point.plus(side.dx() * STUB, side.dy() * STUB);
    }
}
