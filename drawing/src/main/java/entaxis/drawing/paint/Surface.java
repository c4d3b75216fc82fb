package entaxis.drawing.paint;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.text.TextStyle;
import java.awt.Shape;

/**
 * Something to draw on, in sheet units, later things above earlier ones. SVG text, pixels and PDF pages are surfaces,
 * so that the same painter serves them all and their pictures cannot differ.
 */
public interface Surface {
    /** Opens a group: what follows belongs to it and is moved by its offset. */
    void open(Group group);

    /** Closes the group that was opened last. */
    void close();

    /** Draws an outline, filled and stroked as its look says. */
    void draw(Shape shape, Look look);

    /**
     * Writes one line of text.
     *
     * @param x        where it begins
     * @param baseline where its letters stand
     * @param colour   as #RRGGBB
     * @param role     what kind of text it is, for surfaces that are looked at live; may be empty
     */
    void text(String text, TextStyle style, double x, double baseline, String colour, String role);

    /** Draws a kept picture into a box, as large as fits, in the middle. */
    void picture(String content, Box box);
}
