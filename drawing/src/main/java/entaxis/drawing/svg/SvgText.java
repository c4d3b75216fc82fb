package entaxis.drawing.svg;

import entaxis.drawing.geometry.Point;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.Locale;

/** Texts, numbers and points as SVG has them. */
final class SvgText {
    private final TextMeasure measure;

    SvgText(TextMeasure measure) {
        this.measure = measure;
    }

    double width(String text, TextStyle style) {
        return measure.width(text, style);
    }

    void text(StringBuilder svg, String text, TextStyle style, double x, double y, String colour, String role) {
        svg.append("<text x=\"").append(number(x)).append("\" y=\"").append(number(y)).append("\" font-family=\"").append(style.family())
                .append("\" font-size=\"").append(style.size()).append('"').append(style.weight() == 400 ? "" : " font-weight=\"" + style.weight() + "\"")
                .append(style.italic() ? " font-style=\"italic\"" : "").append(" fill=\"").append(colour).append('"').append(role.equals("ends-text") ? " stroke=\"none\"" : "").append(role.isEmpty() ? "" : " class=\"" + role + "\"");
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

    static String point(Point point) {
        return number(point.x()) + " " + number(point.y());
    }

    static String number(double value) {
        double rounded = Math.round(value * 100) / 100.0;
        return rounded == Math.rint(rounded) ? Long.toString((long) rounded) : String.format(Locale.ROOT, "%s", rounded);
    }
}
