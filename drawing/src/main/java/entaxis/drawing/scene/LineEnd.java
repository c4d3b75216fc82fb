package entaxis.drawing.scene;

/**
 * One end of a line, at the edge of a card.
 *
 * @param card     identity of the card
 * @param side     the side of the card it leaves from
 * @param optional whether none is possible (circle) or at least one is needed (bar)
 * @param many     whether more than one is possible (crow's foot)
 */
public record LineEnd(String card, Edge side, boolean optional, boolean many) {
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
}
