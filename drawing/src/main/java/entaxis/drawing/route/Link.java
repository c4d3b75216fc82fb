package entaxis.drawing.route;

import entaxis.drawing.geometry.Box;

/** A line that is to be drawn between two cards; both may be the same. */
public record Link(String id, String firstCard, Box first, String secondCard, Box second) {
    /** Whether it leads back to its card. */
    public boolean loop() {
        return firstCard.equals(secondCard);
    }
}
