package entaxis.drawing.svg;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.scene.Card.Row;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.LineEnd;
import entaxis.drawing.scene.Scene;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.List;
import java.util.Locale;

/** Writes scenes and their parts as SVG 1.1. All text is escaped; all looks are plain attributes. */
public final class SvgWriter {
    private static final double MARGIN = 24;

    private final TextMeasure measure;

    /** A writer that pins the width of texts the bundled fonts do not cover. */
    public SvgWriter(TextMeasure measure) {
        this.measure = measure;
    }

    /** A whole document, as large as the scene. */
    public String document(Scene scene) {
        Box box = scene.bounds().orElse(new Box(0, 0, 200, 120)).grown(MARGIN);
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"").append(number(box.x())).append(' ').append(number(box.y())).append(' ')
                .append(number(box.width())).append(' ').append(number(box.height())).append("\" width=\"").append(number(box.width())).append("\" height=\"")
                .append(number(box.height())).append("\">");
        svg.append("<rect x=\"").append(number(box.x())).append("\" y=\"").append(number(box.y())).append("\" width=\"").append(number(box.width()))
                .append("\" height=\"").append(number(box.height())).append("\" fill=\"").append(Ink.PAPER).append("\"/>");
        scene.lines().forEach(line -> svg.append(line(line)));
        scene.cards().forEach(card -> svg.append(card(card)));
        return svg.append("</svg>").toString();
    }

    /** A small picture without texts: what lies where, in which area, joined by what. */
    public String miniature(Scene scene) {
        Box box = scene.bounds().orElse(new Box(0, 0, 300, 200)).grown(MARGIN);
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"").append(number(box.x())).append(' ').append(number(box.y())).append(' ')
                .append(number(box.width())).append(' ').append(number(box.height())).append("\">");
        double stroke = Math.max(1.5, box.width() / 400);
        svg.append("<g fill=\"none\" stroke=\"").append(Ink.SECOND).append("\" stroke-width=\"").append(number(stroke)).append("\">");
        scene.lines().forEach(line -> svg.append("<path d=\"").append(path(line.points())).append("\"/>"));
        svg.append("</g><g stroke=\"").append(Ink.INK).append("\" stroke-width=\"").append(number(stroke)).append("\">");
        for (Card card : scene.cards()) {
            Box at = card.box();
            svg.append("<rect x=\"").append(number(at.x())).append("\" y=\"").append(number(at.y())).append("\" width=\"").append(number(at.width()))
                    .append("\" height=\"").append(number(at.height())).append("\" rx=\"").append(card.rounded() ? 9 : 1).append("\" fill=\"").append(Ink.CARD).append("\"/>");
            svg.append("<rect x=\"").append(number(at.x())).append("\" y=\"").append(number(at.y())).append("\" width=\"").append(Card.SPINE * 2)
                    .append("\" height=\"").append(number(at.height())).append("\" stroke=\"none\" fill=\"").append(Ink.hue(card.hue())).append("\"/>");
        }
        return svg.append("</g></svg>").toString();
    }

    /** The group of a card, {@code id="c-" + owner}. */
    public String card(Card card) {
        Box box = card.box();
        double radius = card.rounded() ? 9 : 1.5;
        StringBuilder svg = new StringBuilder(1024);
        svg.append("<g id=\"c-").append(card.owner().value()).append("\" class=\"card\" data-x=\"").append(number(box.x())).append("\" data-y=\"").append(number(box.y()))
                .append("\" data-w=\"").append(number(box.width())).append("\" data-h=\"").append(number(box.height())).append("\" data-r=\"").append(number(radius))
                .append("\" transform=\"translate(").append(number(box.x())).append(' ').append(number(box.y())).append(")\">");
        svg.append("<title>").append(escaped(card.name())).append("</title>");
        svg.append("<rect width=\"").append(number(box.width())).append("\" height=\"").append(number(box.height())).append("\" rx=\"").append(number(radius))
                .append("\" fill=\"").append(Ink.CARD).append("\"/>");
        svg.append("<path class=\"spine\" d=\"").append(spine(box.height(), radius)).append("\" fill=\"").append(Ink.hue(card.hue())).append("\"/>");
        text(svg, card.name(), TextStyle.NAME, Card.SPINE + Card.PAD, 18, Ink.INK, "");
        svg.append("<g class=\"rows\">");
        rule(svg, Card.HEAD, box.width(), Ink.INK);
        double y = rows(svg, card.keyRows(), Card.HEAD, box.width(), true);
        if (!card.keyRows().isEmpty() && !card.rows().isEmpty()) {
            rule(svg, y, box.width(), Ink.RULE);
        }
        rows(svg, card.rows(), y, box.width(), false);
        svg.append("</g><rect class=\"edge\" width=\"").append(number(box.width())).append("\" height=\"").append(number(box.height())).append("\" rx=\"")
                .append(number(radius)).append("\" fill=\"none\" stroke=\"").append(Ink.INK).append("\" stroke-width=\"1.2\"/></g>");
        return svg.toString();
    }

    private static String spine(double height, double radius) {
        String r = number(radius);
        String width = number(Card.SPINE - radius);
        return "M" + Card.SPINE + " 0h-" + width + "a" + r + " " + r + " 0 0 0 -" + r + " " + r + "v" + number(height - 2 * radius) + "a" + r + " " + r + " 0 0 0 "
                + r + " " + r + "h" + width + "z";
    }

    private double rows(StringBuilder svg, List<Row> rows, double top, double width, boolean key) {
        if (rows.isEmpty()) {
            return top;
        }
        double y = top + Card.BAND;
        for (Row row : rows) {
            row(svg, row, y + 14, width, key);
            y += Card.ROW;
        }
        return y + Card.BAND;
    }

    private void row(StringBuilder svg, Row row, double baseline, double width, boolean key) {
        double x = Card.SPINE + Card.PAD;
        if (row.rank() > 0) {
            text(svg, Integer.toString(row.rank()), TextStyle.RANK, row.rank() > 9 ? -1 : 1.8, baseline, "#FFFFFF", "");
        }
        text(svg, row.name(), TextStyle.ROW, x, baseline, row.optional() ? Ink.SECOND : Ink.INK, "");
        double end = x + measure.width(row.name(), TextStyle.ROW);
        if (key) {
            svg.append("<path d=\"M").append(number(x)).append(' ').append(number(baseline + 2.5)).append('H').append(number(end)).append("\" stroke=\"").append(Ink.INK)
                    .append("\"/>");
        }
        if (!row.marks().isEmpty()) {
            text(svg, row.marks(), TextStyle.MARK, end + 3, baseline, Ink.SECOND, "");
            end += 3 + measure.width(row.marks(), TextStyle.MARK);
        }
        if (row.optional()) {
            svg.append("<circle cx=\"").append(number(end + 6.5)).append("\" cy=\"").append(number(baseline - 4)).append("\" r=\"2\" fill=\"none\" stroke=\"")
                    .append(Ink.SECOND).append("\"/>");
        }
        if (!row.type().isEmpty()) {
            text(svg, row.type(), TextStyle.TYPE, width - Card.PAD - measure.width(row.type(), TextStyle.TYPE), baseline, Ink.SECOND, "type");
        }
    }

    private static void rule(StringBuilder svg, double y, double width, String colour) {
        svg.append("<path d=\"M").append(Card.SPINE).append(' ').append(number(y)).append('H').append(number(width)).append("\" stroke=\"").append(colour).append("\"/>");
    }

    /** The group of a line, {@code id="l-" + line}; it tells its two ends' cards and sides, so that it can follow while one is dragged. */
    public String line(Line line) {
        StringBuilder svg = new StringBuilder(512);
        svg.append("<g id=\"l-").append(line.id()).append("\" class=\"line\" data-r=\"").append(line.relationship()).append("\" data-a=\"").append(line.first().card())
                .append("\" data-b=\"").append(line.second().card()).append("\" data-as=\"").append(line.first().side()).append("\" data-bs=\"")
                .append(line.second().side()).append("\">");
        String path = path(line.points());
        svg.append("<path class=\"grip\" d=\"").append(path).append("\" fill=\"none\" stroke=\"#FFFFFF\" stroke-opacity=\"0\" stroke-width=\"12\"/>");
        svg.append("<path class=\"way\" d=\"").append(path).append("\" fill=\"none\" stroke=\"").append(Ink.INK).append("\" stroke-width=\"1.2\"")
                .append(line.solid() ? "" : " stroke-dasharray=\"6 4\"").append("/>");
        svg.append("<g class=\"ends\" fill=\"").append(Ink.PAPER).append("\" stroke=\"").append(Ink.INK).append("\" stroke-width=\"1.2\">");
        end(svg, line.first(), line.points().getFirst());
        end(svg, line.second(), line.points().getLast());
        svg.append("</g>");
        for (Line.Label label : line.labels()) {
            svg.append("<rect class=\"verb\" x=\"").append(number(label.box().x())).append("\" y=\"").append(number(label.box().y() + 1)).append("\" width=\"")
                    .append(number(label.box().width())).append("\" height=\"").append(number(label.box().height() - 1)).append("\" fill=\"").append(Ink.PAPER).append("\"/>");
            text(svg, label.text(), TextStyle.VERB, label.box().x() + 2, label.box().bottom() - 4, Ink.SECOND, "verb");
        }
        return svg.append("</g>").toString();
    }

    /** Crow's-foot symbols: outwards from the card, first the maximum (foot or bar), then the minimum (circle or bar). */
    private static void end(StringBuilder svg, LineEnd end, Point at) {
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

    private static void bar(StringBuilder svg, LineEnd end, Point at, double out) {
        svg.append("<path d=\"M").append(point(along(end, at, out, -6))).append('L').append(point(along(end, at, out, 6))).append("\"/>");
    }

    private static Point along(LineEnd end, Point at, double out, double across) {
        return at.plus(end.side().dx() * out + end.side().dy() * across, end.side().dy() * out + end.side().dx() * across);
    }

    private static String path(List<Point> points) {
        StringBuilder path = new StringBuilder("M").append(point(points.getFirst()));
        points.stream().skip(1).forEach(point -> path.append('L').append(point(point)));
        return path.toString();
    }

    private void text(StringBuilder svg, String text, TextStyle style, double x, double y, String colour, String role) {
        svg.append("<text x=\"").append(number(x)).append("\" y=\"").append(number(y)).append("\" font-family=\"").append(style.family())
                .append("\" font-size=\"").append(style.size()).append('"').append(style.weight() == 400 ? "" : " font-weight=\"" + style.weight() + "\"")
                .append(style.italic() ? " font-style=\"italic\"" : "").append(" fill=\"").append(colour).append('"').append(role.isEmpty() ? "" : " class=\"" + role + "\"");
        if (!measure.covers(text, style)) {
            svg.append(" textLength=\"").append(number(measure.width(text, style))).append("\" lengthAdjust=\"spacingAndGlyphs\"");
        }
        svg.append('>').append(escaped(text)).append("</text>");
    }

    /** Text safe inside an element or a quoted attribute; characters that XML forbids are left out. */
    static String escaped(String text) {
        StringBuilder safe = new StringBuilder(text.length() + 8);
        text.codePoints().forEach(point -> {
            switch (point) {
                case '<' -> safe.append("&lt;");
                case '>' -> safe.append("&gt;");
                case '&' -> safe.append("&amp;");
                case '"' -> safe.append("&quot;");
                default -> {
                    boolean allowed = point >= 0x20 && point != 0xFFFE && point != 0xFFFF && !(point >= 0xD800 && point <= 0xDFFF) || point == '\t';
                    if (allowed) {
                        safe.appendCodePoint(point);
                    }
                }
            }
        });
        return safe.toString();
    }

    private static String point(Point point) {
        return number(point.x()) + " " + number(point.y());
    }

    private static String number(double value) {
        double rounded = Math.round(value * 100) / 100.0;
        return rounded == Math.rint(rounded) ? Long.toString((long) rounded) : String.format(Locale.ROOT, "%s", rounded);
    }
}
