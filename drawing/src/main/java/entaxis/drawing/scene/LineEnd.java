package entaxis.drawing.scene;

import entaxis.drawing.geometry.Edge;

/**
 * One end of a line, at the edge of a card.
 *
 * @param card     identity of the card
 * @param side     the side of the card it leaves from
 * @param optional whether none is possible (circle) or at least one is needed (bar)
 * @param many     whether more than one is possible (crow's foot)
 */
public record LineEnd(String card, Edge side, boolean optional, boolean many) { }
