package entaxis.drawing.geometry;

/** A point of a sheet, in sheet units; y grows downwards. */
public record Point(double x, double y) {
    /** This point moved. */
    public Point plus(double dx, double dy) {
        return new Point(x + dx, y + dy);
    }
}
