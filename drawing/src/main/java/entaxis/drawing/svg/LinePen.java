package entaxis.drawing.svg;

import static entaxis.drawing.svg.SvgText.number;
import static entaxis.drawing.svg.SvgText.point;

import entaxis.core.design.Cardinality;
import entaxis.core.design.Notation;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.LineEnd;
import entaxis.drawing.text.TextStyle;
import java.util.List;

/**
 * Draws relationships in the published notations. Only the signs differ between them: crow's foot; IDEF1X (FIPS PUB 184: a dot at the child, P for one or more, Z for
 * zero or one, a number, a diamond at an optional parent); Chen 1976 (a diamond with 1, N and M); UML (ISO/IEC 19505: multiplicities); pairs of minimum and maximum,
 * written where the entity takes part.
 */
final class LinePen {
    private static final double STROKE = 1.2;
    private final SvgText texts;

    LinePen(SvgText texts) {
        this.texts = texts;
    }

    String line(Line line, Notation notation) {
        StringBuilder svg = new StringBuilder(512);
        svg.append("<g id=\"l-").append(line.id()).append("\" class=\"line\" data-r=\"").append(line.stated()).append("\" data-a=\"").append(line.first().card())
                .append("\" data-b=\"").append(line.second().card()).append("\" data-as=\"").append(line.first().side()).append("\" data-bs=\"")
                .append(line.second().side()).append(line.bent() ? "\" data-bent=\"true" : "").append("\">");
        String path = path(line.points());
        boolean dashed = !line.solid() && (notation == Notation.CROWS_FOOT || notation == Notation.IDEF1X);
        svg.append("<path class=\"grip\" d=\"").append(path).append("\" fill=\"none\" stroke=\"#FFFFFF\" stroke-opacity=\"0\" stroke-width=\"12\"/>");
        svg.append("<path class=\"way\" d=\"").append(path).append("\" fill=\"none\" stroke=\"").append(Ink.INK).append("\" stroke-width=\"").append(STROKE).append("\"")
                .append(dashed ? " stroke-dasharray=\"6 4\"" : "").append("/>");
        if (!line.plain()) {
            svg.append("<g class=\"ends\" fill=\"").append(Ink.PAPER).append("\" stroke=\"").append(Ink.INK).append("\" stroke-width=\"").append(STROKE).append("\">");
            end(svg, line, line.first(), line.points().getFirst(), notation);
            end(svg, line, line.second(), line.points().getLast(), notation);
            svg.append("</g>");
        }
        line.sign().ifPresent(sign -> sign(svg, sign));
        for (Line.Label label : line.labels()) {
            label(svg, label, notation == Notation.CHEN);
        }
        return svg.append("</g>").toString();
    }

    private void label(StringBuilder svg, Line.Label label, boolean diamond) {
        Box box = label.box();
        if (diamond) {
            double half = box.width() / 2 + 10;
            svg.append("<path class=\"verb\" d=\"M").append(number(box.centreX() - half)).append(' ').append(number(box.centreY())).append('L').append(number(box.centreX()))
                    .append(' ').append(number(box.y() - 7)).append('L').append(number(box.centreX() + half)).append(' ').append(number(box.centreY())).append('L')
                    .append(number(box.centreX())).append(' ').append(number(box.bottom() + 7)).append("z\" fill=\"").append(Ink.PAPER).append("\" stroke=\"")
                    .append(Ink.SECOND).append("\"/>");
        } else {
            svg.append("<rect class=\"verb\" x=\"").append(number(box.x())).append("\" y=\"").append(number(box.y() + 1)).append("\" width=\"")
                    .append(number(box.width())).append("\" height=\"").append(number(box.height() - 1)).append("\" fill=\"").append(Ink.PAPER).append("\"/>");
        }
        texts.text(svg, label.text(), TextStyle.VERB, box.x() + 2, box.bottom() - 4, Ink.SECOND, "verb");
    }

    private void sign(StringBuilder svg, Line.Sign sign) {
        Box box = sign.box();
        svg.append("<g class=\"sign\" fill=\"").append(Ink.PAPER).append("\" stroke=\"").append(Ink.INK).append("\" stroke-width=\"").append(STROKE).append("\"><circle cx=\"")
                .append(number(box.centreX())).append("\" cy=\"").append(number(box.centreY() - 2)).append("\" r=\"8\"/><path d=\"M").append(number(box.x() + 1)).append(' ')
                .append(number(box.bottom() - 3)).append("h20").append(sign.complete() ? "M" + number(box.x() + 1) + " " + number(box.bottom()) + "h20" : "").append("\"/></g>");
        if (!sign.words().isEmpty()) {
            texts.text(svg, sign.words(), TextStyle.VERB, box.right() + 4, box.centreY() + 3, Ink.SECOND, "verb");
        }
    }

    private void end(StringBuilder svg, Line line, LineEnd end, Point at, Notation notation) {
        switch (notation) {
            case CROWS_FOOT -> crowsFoot(svg, end, at);
            case IDEF1X -> idef1x(svg, line, end, at);
            case CHEN -> word(svg, end, at, end.many() ? end.cardinality().max() == Cardinality.MANY ? line.second() == end && end.opposite().many() ? "M" : "N"
                    : Integer.toString(end.cardinality().max()) : "1");
            case UML -> word(svg, end, at, multiplicity(end.cardinality(), "*"));
            case MIN_MAX -> word(svg, end, at, "(" + end.opposite().min() + "," + (end.opposite().max() == Cardinality.MANY ? "n" : end.opposite().max()) + ")");
        }
        double out = 36;
        for (int number : end.assumptions()) {
            Point centre = along(end, at, out, 12);
            String text = Integer.toString(number);
            svg.append("<circle class=\"assumption\" cx=\"").append(number(centre.x())).append("\" cy=\"").append(number(centre.y())).append("\" r=\"8.5\"/>");
            texts.text(svg, text, TextStyle.RANK, centre.x() - texts.width(text, TextStyle.RANK) / 2, centre.y() + 4, Ink.INK, "ends-text");
            out += 20;
        }
        if (end.alternative()) {
            Point centre = along(end, at, 36, -12);
            svg.append("<rect class=\"alternative\" x=\"").append(number(centre.x() - 10)).append("\" y=\"").append(number(centre.y() - 8))
                    .append("\" width=\"20\" height=\"16\" rx=\"8\"/>");
            texts.text(svg, "or", TextStyle.VERB, centre.x() - texts.width("or", TextStyle.VERB) / 2, centre.y() + 4, Ink.INK, "ends-text");
        }
    }

    /** Outwards from the card, first the maximum (foot or bar), then the minimum (circle or bar). */
    private static void crowsFoot(StringBuilder svg, LineEnd end, Point at) {
        if (end.many()) {
            for (int prong : new int[] {-6, 6}) {
                Point tip = along(end, at, 0, prong);
                Point heel = along(end, at, 12, 0);
                svg.append("<path d=\"M").append(point(tip)).append('L').append(point(heel)).append("\"/>");
            }
        } else {
            bar(svg, end, at, 7);
        }
        if (end.optional()) {
            Point centre = along(end, at, end.many() ? 16 : 15, 0);
            svg.append("<circle cx=\"").append(number(centre.x())).append("\" cy=\"").append(number(centre.y())).append("\" r=\"4\"/>");
        } else {
            bar(svg, end, at, end.many() ? 15 : 12);
        }
    }

    private void idef1x(StringBuilder svg, Line line, LineEnd end, Point at) {
        boolean nonspecific = line.first().many() && line.second().many();
        if (end.child() || nonspecific) {
            Point centre = along(end, at, 4.5, 0);
            svg.append("<circle cx=\"").append(number(centre.x())).append("\" cy=\"").append(number(centre.y())).append("\" r=\"4.5\" fill=\"").append(Ink.INK).append("\"/>");
            Cardinality many = end.cardinality();
            word(svg, end, at, many.equals(Cardinality.ONE_OR_MORE) ? "P" : many.equals(Cardinality.ZERO_OR_ONE) ? "Z" : many.equals(Cardinality.ZERO_OR_MORE) ? ""
                    : many.min() == many.max() ? Integer.toString(many.min()) : multiplicity(many, "n").replace("..", "-"));
        } else if (end.optional()) {
            svg.append("<path d=\"M").append(point(at)).append('L').append(point(along(end, at, 7, -5))).append('L').append(point(along(end, at, 14, 0))).append('L')
                    .append(point(along(end, at, 7, 5))).append("z\"/>");
        }
    }

    private static String multiplicity(Cardinality cardinality, String many) {
        String max = cardinality.max() == Cardinality.MANY ? many : Integer.toString(cardinality.max());
        return cardinality.min() == cardinality.max() ? max : cardinality.min() == 0 && cardinality.max() == Cardinality.MANY ? "0.." + many : cardinality.min() + ".." + max;
    }

    private void word(StringBuilder svg, LineEnd end, Point at, String word) {
        if (word.isEmpty()) {
            return;
        }
        double width = texts.width(word, TextStyle.ROW);
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
        svg.append("<g>");
        texts.text(svg, word, TextStyle.ROW, x, y, Ink.INK, "ends-text");
        svg.append("</g>");
    }

    private static void bar(StringBuilder svg, LineEnd end, Point at, double out) {
        svg.append("<path d=\"M").append(point(along(end, at, out, -6))).append('L').append(point(along(end, at, out, 6))).append("\"/>");
    }

    private static Point along(LineEnd end, Point at, double out, double across) {
        return at.plus(end.side().dx() * out + end.side().dy() * across, end.side().dy() * out + end.side().dx() * across);
    }

    static String path(List<Point> points) {
        StringBuilder path = new StringBuilder("M").append(point(points.getFirst()));
        points.stream().skip(1).forEach(point -> path.append('L').append(point(point)));
        return path.toString();
    }
}
