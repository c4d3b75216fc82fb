package entaxis.drawing.paint;

import entaxis.core.design.Cardinality;
import entaxis.core.design.Notation;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Edge;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.LineEnd;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.Shape;
import java.awt.geom.Path2D;
import java.util.List;
import java.util.Optional;

/**
 * Draws relationships in the published notations. Only the signs differ between them: crow's foot; IDEF1X (FIPS PUB
 * 184: a dot at the child, P for one or more, Z for zero or one, a number, a diamond at an optional parent); Chen 1976
 * (a diamond with 1, N and M); UML (ISO/IEC 19505: multiplicities); pairs of minimum and maximum, written where the
 * entity takes part.
 */
final class LinePainter {
    private static final double STROKE = 1.2;
    private static final Look EDGE = Look.stroked(Ink.INK, STROKE);
    private static final Look SIGN = EDGE.on(Ink.PAPER);
    static final List<Integer> DASHES = List.of(6, 4);
    private static final double GRIP = 12;

    private final TextMeasure measure;

    LinePainter(TextMeasure measure) {
        this.measure = measure;
    }

    void paint(Line line, Notation notation, Surface on) {
        Group group = Group.of("l-" + line.id(), "line").with("r", line.stated()).with("a", line.first().card())
                .with("b", line.second().card())
                .with("as", line.first().side().name()).with("bs", line.second().side().name());
        on.open(line.bent() ? group.with("bent", "true") : group);
        Shape way = Outlines.way(line.points());
        boolean dashed = !line.solid() && (notation == Notation.CROWS_FOOT || notation == Notation.IDEF1X);
        on.draw(way, Look.unseen(GRIP).as("grip"));
        on.draw(way, EDGE.as("way").dashed(dashed ? DASHES : List.of()));
        if (!line.plain()) {
            on.open(Group.of("ends"));
            end(on, line, line.first(), line.points().getFirst(), notation);
            end(on, line, line.second(), line.points().getLast(), notation);
            on.close();
        }
        line.sign().ifPresent(sign -> sign(on, sign));
        for (Line.Label label : line.labels()) {
            label(on, label, notation == Notation.CHEN);
        }
        on.close();
    }

    /** A short line that ends at a card to its right with so many of it. */
    void sample(Cardinality cardinality, Notation notation, Point from, Point to, Surface on) {
        LineEnd plain = new LineEnd("", Edge.RIGHT, Cardinality.EXACTLY_ONE, cardinality, false, List.of(), false);
        LineEnd end = new LineEnd("", Edge.LEFT, cardinality,
                notation == Notation.MIN_MAX ? cardinality : Cardinality.EXACTLY_ONE, cardinality.many(), List.of(),
                false);
        Line line = new Line("", "", true, false, false, List.of(from, to), plain, end, List.of(), Optional.empty());
        on.draw(Outlines.way(line.points()), EDGE);
        end(on, line, end, to, notation);
    }

    private static void label(Surface on, Line.Label label, boolean diamond) {
        Box box = label.box();
        if (diamond) {
            double half = box.width() / 2 + 10;
            on.draw(Outlines.closed(new Point(box.centreX() - half, box.centreY()),
                    new Point(box.centreX(), box.y() - 7), new Point(box.centreX() + half, box.centreY()),
                    new Point(box.centreX(), box.bottom() + 7)), Look.stroked(Ink.SECOND, 1).on(Ink.PAPER).as("verb"));
        } else {
            on.draw(Outlines.rectangle(new Box(box.x(), box.y() + 1, box.width(), box.height() - 1)),
                    Look.filled(Ink.PAPER).as("verb"));
        }
        on.text(label.text(), TextStyle.VERB, box.x() + 2, box.bottom() - 4, Ink.SECOND, "verb");
    }

    private static void sign(Surface on, Line.Sign sign) {
        Box box = sign.box();
        on.open(Group.of("sign"));
        on.draw(Outlines.circle(box.centreX(), box.centreY() - 2, 8), SIGN);
        on.draw(Outlines.across(box.x() + 1, box.x() + 21, box.bottom() - 3), EDGE);
        if (sign.complete()) {
            on.draw(Outlines.across(box.x() + 1, box.x() + 21, box.bottom()), EDGE);
        }
        on.close();
        if (!sign.words().isEmpty()) {
            on.text(sign.words(), TextStyle.VERB, box.right() + 4, box.centreY() + 3, Ink.SECOND, "verb");
        }
    }

    private void end(Surface on, Line line, LineEnd end, Point at, Notation notation) {
        switch (notation) {
            case CROWS_FOOT -> crowsFoot(on, end, at);
            case IDEF1X -> idef1x(on, line, end, at);
            case CHEN -> word(on, end, at, chen(line, end));
            case UML -> word(on, end, at, multiplicity(end.cardinality(), "*"));
            case MIN_MAX -> word(on, end, at, "(" + end.opposite().min() + ","
                    + (end.opposite().max() == Cardinality.MANY ? "n" : end.opposite().max()) + ")");
        }
        double out = 36;
        for (int number : end.assumptions()) {
            Point centre = along(end, at, out, 12);
            on.draw(Outlines.circle(centre.x(), centre.y(), 8.5), SIGN.as("assumption"));
            middle(on, Integer.toString(number), TextStyle.RANK, centre);
            out += 20;
        }
        if (end.alternative()) {
            Point centre = along(end, at, 36, -12);
            on.draw(Outlines.rounded(new Box(centre.x() - 10, centre.y() - 8, 20, 16), 8), SIGN.as("alternative"));
            middle(on, "or", TextStyle.VERB, centre);
        }
    }

    private void middle(Surface on, String text, TextStyle style, Point centre) {
        on.text(text, style, centre.x() - measure.width(text, style) / 2, centre.y() + 4, Ink.INK, "ends-text");
    }

    /** Outwards from the card, first the maximum (foot or bar), then the minimum (circle or bar). */
    private static void crowsFoot(Surface on, LineEnd end, Point at) {
        if (end.many()) {
            Point heel = along(end, at, 12, 0);
            Path2D foot = Outlines.way(List.of(along(end, at, 0, -6), heel));
            Outlines.add(foot, List.of(along(end, at, 0, 6), heel));
            on.draw(foot, EDGE);
        } else {
            bar(on, end, at, 7);
        }
        if (end.optional()) {
            Point centre = along(end, at, end.many() ? 16 : 15, 0);
            on.draw(Outlines.circle(centre.x(), centre.y(), 4), SIGN);
        } else {
            bar(on, end, at, end.many() ? 15 : 12);
        }
    }

    private void idef1x(Surface on, Line line, LineEnd end, Point at) {
        boolean nonspecific = line.first().many() && line.second().many();
        if (end.child() || nonspecific) {
            Point centre = along(end, at, 4.5, 0);
            on.draw(Outlines.circle(centre.x(), centre.y(), 4.5), EDGE.on(Ink.INK));
            Cardinality many = end.cardinality();
            word(on, end, at,
                    many.equals(Cardinality.ONE_OR_MORE) ? "P" : many.equals(Cardinality.ZERO_OR_ONE) ? "Z"
                            : many.equals(Cardinality.ZERO_OR_MORE) ? ""
                            : many.min() == many.max() ? Integer.toString(many.min())
                            : multiplicity(many, "n").replace("..", "-"));
        } else if (end.optional()) {
            on.draw(Outlines.closed(at, along(end, at, 7, -5), along(end, at, 14, 0), along(end, at, 7, 5)), SIGN);
        }
    }

    private static String chen(Line line, LineEnd end) {
        if (!end.many()) {
            return "1";
        }
        if (end.cardinality().max() != Cardinality.MANY) {
            return Integer.toString(end.cardinality().max());
        }
        return line.second() == end && end.opposite().many() ? "M" : "N";
    }

    private static String multiplicity(Cardinality cardinality, String many) {
        String max = cardinality.max() == Cardinality.MANY ? many : Integer.toString(cardinality.max());
        return cardinality.min() == cardinality.max() ? max : cardinality.min() + ".." + max;
    }

    private void word(Surface on, LineEnd end, Point at, String word) {
        if (word.isEmpty()) {
            return;
        }
        double width = measure.width(word, TextStyle.ROW);
        double x = switch (end.side()) {
            case LEFT -> at.x() - 12 - width;
            case RIGHT -> at.x() + 12;
            case TOP, BOTTOM -> at.x() + 7;
        };
        double y = switch (end.side()) {
            case LEFT, RIGHT -> at.y() - 6;
            case TOP -> at.y() - 12;
            case BOTTOM -> at.y() + 22;
        };
        on.text(word, TextStyle.ROW, x, y, Ink.INK, "ends-text");
    }

    private static void bar(Surface on, LineEnd end, Point at, double out) {
        on.draw(Outlines.way(List.of(along(end, at, out, -6), along(end, at, out, 6))), EDGE);
    }

    private static Point along(LineEnd end, Point at, double out, double across) {
        return at.plus(end.side().dx() * out + end.side().dy() * across,
                end.side().dy() * out + end.side().dx() * across);
    }
}
