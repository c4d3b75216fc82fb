package entaxis.drawing.geometry;

/** An upright rectangle, in sheet units. */
public record Box(double x, double y, double width, double height) {
    public double right() {
        return x + width;
    }

    public double bottom() {
        return y + height;
    }

    public double centreX() {
        return x + width / 2;
    }

    public double centreY() {
        return y + height / 2;
    }

    /** This box with room around it. */
    public Box grown(double by) {
        return new Box(x - by, y - by, width + 2 * by, height + 2 * by);
    }

    /** Whether the two have more than an edge in common. */
    public boolean overlaps(Box other) {
        return x < other.right() && other.x < right() && y < other.bottom() && other.y < bottom();
    }

    /** The smallest box around both. */
    public Box union(Box other) {
        double left = Math.min(x, other.x);
        double top = Math.min(y, other.y);
        return new Box(left, top, Math.max(right(), other.right()) - left, Math.max(bottom(), other.bottom()) - top);
    }
}
