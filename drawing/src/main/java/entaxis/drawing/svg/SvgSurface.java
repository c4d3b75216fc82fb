package entaxis.drawing.svg;

import static entaxis.drawing.geometry.Numbers.number;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.paint.Group;
import entaxis.drawing.paint.Look;
import entaxis.drawing.paint.Surface;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.Shape;
import java.awt.geom.Ellipse2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * Writes SVG 1.1. All text is escaped; all looks are plain attributes, no style sheet is needed. A live drawing also
 * has what the mouse catches; a file of its own has not: it carries its fonts along and states the width of each text,
 * so that a text keeps to its box even where another font stands in.
 */
final class SvgSurface implements Surface {
    private final StringBuilder svg;
    private final TextMeasure measure;
    private final UnaryOperator<String> address;
    private final boolean live;
    private final UnaryOperator<String> links;
    private final Deque<Boolean> linked = new ArrayDeque<>();
    private final FontFaces fonts = new FontFaces();

    /**
     * A surface that appends to a text.
     *
     * @param address where the bytes of a picture are
     * @param links   where a group leads, by its identity; nowhere if empty
     */
    SvgSurface(StringBuilder svg, TextMeasure measure, UnaryOperator<String> address, boolean live,
            UnaryOperator<String> links) {
        this.svg = svg;
        this.measure = measure;
        this.address = address;
        this.live = live;
        this.links = links;
    }

    @Override
    public void open(Group group) {
        String link = group.id().isEmpty() ? "" : links.apply(group.id());
        linked.push(!link.isEmpty());
        if (!link.isEmpty()) {
            svg.append("<a href=\"").append(escaped(link)).append("\">");
        }
        svg.append("<g");
        attribute("id", group.id());
        attribute("class", group.kind());
        group.facts().forEach(fact -> attribute("data-" + fact.name(), fact.value()));
        group.offset().ifPresent(by -> svg.append(" transform=\"translate(").append(number(by.x())).append(' ')
                .append(number(by.y()))
                .append(group.scale() == 1 ? ")\"" : ") scale(" + number(group.scale()) + ")\""));
        svg.append('>');
        if (!group.title().isEmpty()) {
            svg.append("<title>").append(escaped(group.title())).append("</title>");
        }
    }

    @Override
    public void close() {
        svg.append(linked.pop() ? "</g></a>" : "</g>");
    }

    @Override
    public void draw(Shape shape, Look look) {
        if (!look.seen() && !live) {
            return;
        }
        switch (shape) {
            case RoundRectangle2D box -> {
                begin("rect", look);
                corner(box.getX(), box.getY());
                svg.append(" width=\"").append(number(box.getWidth())).append("\" height=\"")
                        .append(number(box.getHeight())).append("\" rx=\"")
                        .append(number(box.getArcWidth() / 2)).append('"');
            }
            case Rectangle2D box -> {
                begin("rect", look);
                corner(box.getX(), box.getY());
                svg.append(" width=\"").append(number(box.getWidth())).append("\" height=\"")
                        .append(number(box.getHeight())).append('"');
            }
            case Ellipse2D circle -> {
                begin("circle", look);
                svg.append(" cx=\"").append(number(circle.getCenterX())).append("\" cy=\"")
                        .append(number(circle.getCenterY())).append("\" r=\"")
                        .append(number(circle.getWidth() / 2)).append('"');
            }
            default -> {
                begin("path", look);
                svg.append(" d=\"");
                path(shape.getPathIterator(null));
                svg.append('"');
            }
        }
        paint(look);
        svg.append("/>");
    }

    private void begin(String element, Look look) {
        svg.append('<').append(element);
        attribute("class", look.role());
    }

    private void corner(double x, double y) {
        if (x != 0 || y != 0) {
            svg.append(" x=\"").append(number(x)).append("\" y=\"").append(number(y)).append('"');
        }
    }

    private void path(PathIterator steps) {
        double[] at = new double[6];
        for (; !steps.isDone(); steps.next()) {
            switch (steps.currentSegment(at)) {
                case PathIterator.SEG_MOVETO -> points('M', at, 1);
                case PathIterator.SEG_LINETO -> points('L', at, 1);
                case PathIterator.SEG_QUADTO -> points('Q', at, 2);
                case PathIterator.SEG_CUBICTO -> points('C', at, 3);
                default -> svg.append('z');
            }
        }
    }

    private void points(char command, double[] at, int count) {
        svg.append(command).append(number(at[0])).append(' ').append(number(at[1]));
        for (int i = 1; i < count; i++) {
            svg.append(' ').append(number(at[2 * i])).append(' ').append(number(at[2 * i + 1]));
        }
    }

    private void paint(Look look) {
        svg.append(" fill=\"").append(look.fill().isEmpty() ? "none" : look.fill()).append('"');
        if (!look.stroke().isEmpty()) {
            svg.append(" stroke=\"").append(look.stroke()).append('"');
            if (!look.seen()) {
                svg.append(" stroke-opacity=\"0\"");
            }
            if (look.width() != 1) {
                svg.append(" stroke-width=\"").append(number(look.width())).append('"');
            }
            if (!look.dashes().isEmpty()) {
                svg.append(look.dashes().stream().map(String::valueOf)
                        .collect(Collectors.joining(" ", " stroke-dasharray=\"", "\"")));
            }
        }
    }

    @Override
    public void text(String text, TextStyle style, double x, double baseline, String colour, String role) {
        if (!live) {
            fonts.use(text, style);
        }
        svg.append("<text x=\"").append(number(x)).append("\" y=\"").append(number(baseline))
                .append("\" font-family=\"'").append(style.family())
                .append(style == TextStyle.TYPE ? "', monospace" : "', sans-serif");
        svg.append("\" font-size=\"").append(style.size()).append('"')
                .append(style.weight() == 400 ? "" : " font-weight=\"" + style.weight() + "\"")
                .append(style.italic() ? " font-style=\"italic\"" : "").append(" fill=\"").append(colour).append('"');
        attribute("class", role);
        if (!live || !measure.covers(text, style)) {
            svg.append(" textLength=\"").append(number(measure.width(text, style)))
                    .append("\" lengthAdjust=\"spacingAndGlyphs\"");
        }
        svg.append('>').append(escaped(text)).append("</text>");
    }

    @Override
    public void picture(String content, Box box) {
        svg.append("<image width=\"").append(number(box.width())).append("\" height=\"").append(number(box.height()))
                .append("\" preserveAspectRatio=\"xMidYMid meet\" href=\"").append(escaped(address.apply(content)))
                .append("\"/>");
    }

    /** The letters that were written, if this is a file of its own. */
    String styleSheet() {
        return fonts.styleSheet();
    }

    private void attribute(String name, String value) {
        if (!value.isEmpty()) {
            svg.append(' ').append(name).append("=\"").append(escaped(value)).append('"');
        }
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
                    boolean allowed =
                            point >= 0x20 && point != 0xFFFE && point != 0xFFFF && !(point >= 0xD800 && point <= 0xDFFF)
                                    || point == '\t';
                    if (allowed) {
                        safe.appendCodePoint(point);
                    }
                }
            }
        });
        return safe.toString();
    }
}
