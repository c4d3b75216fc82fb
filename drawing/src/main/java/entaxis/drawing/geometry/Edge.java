package entaxis.drawing.geometry;

/** A side of a card. */
public enum Edge {
    LEFT(-1, 0), RIGHT(1, 0), TOP(0, -1), BOTTOM(0, 1);

    private final int dx;
    private final int dy;

    Edge(int dx, int dy) {
        this.dx = dx;
        this.dy = dy;
    }

    /** Direction outwards along x: -1, 0 or 1. */
    public int dx() {
        return dx;
    }

    /** Direction outwards along y: -1, 0 or 1. */
    public int dy() {
        return dy;
    }

    /** Whether lines leave it sideways. */
    public boolean horizontal() {
        return dx != 0;
    }
}
