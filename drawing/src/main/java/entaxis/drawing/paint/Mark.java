package entaxis.drawing.paint;

/**
 * A mark on a card.
 *
 * @param count what stands in it
 * @param grave whether it is one to be careful about
 */
public record Mark(int count, boolean grave) { }
