package entaxis.drawing.route;

import entaxis.core.design.LineShape;
import entaxis.drawing.geometry.Box;

/**
 * A line that is to be drawn between two cards; both may be the same.
 *
 * @param shape what the designer decided about its way
 */
public record Link(String id, String firstCard, Box first, String secondCard, Box second, LineShape shape) {
    /** A line whose way is free. */
    public Link(String id, String firstCard, Box first, String secondCard, Box second) {
        this(id, firstCard, first, secondCard, second, LineShape.FREE);
    }

    /** Whether it leads back to its card. */
    public boolean loop() {
        return firstCard.equals(secondCard);
    }
}
