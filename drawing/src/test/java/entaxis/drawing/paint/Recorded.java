package entaxis.drawing.paint;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.text.TextStyle;
import java.awt.Shape;
import java.awt.geom.Ellipse2D;
import java.util.ArrayList;
import java.util.List;

/** A surface that keeps what was drawn on it, so that tests can ask for it. */
final class Recorded implements Surface {
    /** An outline with how it was drawn. */
    record Drawn(Shape shape, Look look) {
        boolean circle() {
            return shape instanceof Ellipse2D;
        }

        Box box() {
            var bounds = shape.getBounds2D();
            return new Box(bounds.getX(), bounds.getY(), bounds.getWidth(), bounds.getHeight());
        }
    }

    /** A text with where it begins. */
    record Written(String text, TextStyle style, double x, double baseline) { }

    private final List<Drawn> drawn = new ArrayList<>();
    private final List<Written> written = new ArrayList<>();
    private final List<Group> groups = new ArrayList<>();
    private int open;

    @Override
    public void open(Group group) {
        groups.add(group);
        open++;
    }

    @Override
    public void close() {
        open--;
    }

    @Override
    public void draw(Shape shape, Look look) {
        drawn.add(new Drawn(shape, look));
    }

    @Override
    public void text(String text, TextStyle style, double x, double baseline, String colour, String role) {
        written.add(new Written(text, style, x, baseline));
    }

    @Override
    public void picture(String content, Box box) {
        throw new UnsupportedOperationException("no test draws pictures here");
    }

    List<Drawn> drawn() {
        return drawn;
    }

    /** Outlines that show and lie within a box. */
    List<Drawn> within(Box box) {
        return drawn.stream().filter(one -> one.look().seen()).filter(one -> {
            Box own = one.box();
            return own.union(box).equals(box);
        }).toList();
    }

    List<Written> written() {
        return written;
    }

    List<String> words() {
        return written.stream().map(Written::text).toList();
    }

    List<Group> groups() {
        return groups;
    }

    /** How many groups are still open. */
    int open() {
        return open;
    }
}
