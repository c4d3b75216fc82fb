package entaxis.drawing.scene;

import entaxis.core.design.Cardinality;
import entaxis.drawing.geometry.Edge;
import java.util.List;

/**
 * One end of a line, at the edge of a card.
 *
 * @param card        identity of the card
 * @param side        the side of the card it leaves from
 * @param cardinality how many of this end's entity go with one of the other's
 * @param opposite    the cardinality of the other end
 * @param child       whether the foreign key stands at this end
 * @param assumptions numbers of the assumptions that decided this end
 * @param alternative whether it excludes other lines of the same card
 */
public record LineEnd(String card, Edge side, Cardinality cardinality, Cardinality opposite, boolean child,
        List<Integer> assumptions, boolean alternative) {
    /** Copies the numbers. */
    public LineEnd {
        assumptions = List.copyOf(assumptions);
    }

    /** Whether none is possible (circle) or at least one is needed (bar). */
    public boolean optional() {
        return cardinality.optional();
    }

    /** Whether more than one is possible (crow's foot). */
    public boolean many() {
        return cardinality.many();
    }
}
