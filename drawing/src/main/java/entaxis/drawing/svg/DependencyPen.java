package entaxis.drawing.svg;

import static entaxis.drawing.svg.SvgText.number;

import entaxis.drawing.dependency.DependencyDiagram;
import entaxis.drawing.dependency.DependencyDiagram.Arrow;
import entaxis.drawing.dependency.DependencyDiagram.Attribute;
import entaxis.drawing.dependency.DependencyDiagram.Pattern;
import entaxis.drawing.dependency.PatternLook;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.stream.Collectors;

/** Writes dependency diagrams as SVG. All text is escaped; all looks are plain attributes. */
public final class DependencyPen {
    private final SvgText texts;

    /** A pen that measures with the bundled fonts. */
    public DependencyPen(TextMeasure measure) {
        this.texts = new SvgText(measure);
    }

    /** A whole document. */
    public String document(DependencyDiagram diagram) {
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" class=\"drawn\" role=\"img\" aria-label=\"Dependency diagram\" viewBox=\"0 0 ")
                .append(number(diagram.width())).append(' ').append(number(diagram.height())).append("\" width=\"").append(number(diagram.width())).append("\" height=\"")
                .append(number(diagram.height())).append("\"><rect width=\"").append(number(diagram.width())).append("\" height=\"").append(number(diagram.height()))
                .append("\" fill=\"").append(Ink.PAPER).append("\"/>");
        diagram.boxes().forEach(box -> box(svg, box));
        diagram.arrows().forEach(arrow -> arrow(svg, arrow));
        diagram.arrows().forEach(arrow -> label(svg, arrow));
        return svg.append("</svg>").toString();
    }

    private void box(StringBuilder svg, Attribute box) {
        svg.append("<g data-attribute=\"").append(box.place()).append("\"><rect x=\"").append(number(box.x())).append("\" y=\"").append(number(box.y())).append("\" width=\"").append(number(box.width())).append("\" height=\"")
                .append(number(DependencyDiagram.BOX)).append("\" rx=\"2\" fill=\"").append(Ink.CARD).append("\" stroke=\"").append(box.key() ? Ink.INK : Ink.RULE)
                .append("\" stroke-width=\"").append(box.key() ? "1.6" : "1.2").append("\"/>");
        double width = texts.width(box.name(), TextStyle.ROW);
        double x = box.x() + (box.width() - width) / 2;
        double baseline = box.y() + DependencyDiagram.BOX / 2 + 4.5;
        texts.text(svg, box.name(), TextStyle.ROW, x, baseline, Ink.INK, "");
        if (box.key()) {
            svg.append("<path d=\"M").append(number(x)).append(' ').append(number(baseline + 2.5)).append('H').append(number(x + width)).append("\" stroke=\"").append(Ink.INK)
                    .append("\" stroke-width=\"1\"/>");
        }
        svg.append("</g>");
    }

    private static String dashes(PatternLook look) {
        return look.dashes().isEmpty() ? "" : look.dashes().stream().map(String::valueOf).collect(Collectors.joining(" ", " stroke-dasharray=\"", "\""));
    }

    private static void arrow(StringBuilder svg, Arrow arrow) {
        PatternLook look = PatternLook.of(arrow.pattern());
        String colour = look.colour();
        int out = arrow.above() ? -1 : 1;
        svg.append("<g fill=\"none\" stroke=\"").append(colour).append("\" stroke-width=\"1.6\"><path").append(dashes(look)).append(" d=\"");
        svg.append('M').append(number(arrow.left())).append(' ').append(number(arrow.bar())).append('H').append(number(arrow.right()));
        arrow.from().forEach(x -> svg.append('M').append(number(x)).append(' ').append(number(arrow.row())).append('V').append(number(arrow.bar())));
        arrow.to().forEach(x -> svg.append('M').append(number(x)).append(' ').append(number(arrow.bar())).append('V').append(number(arrow.row() + out * 7)));
        svg.append("\"/></g><g stroke=\"none\" fill=\"").append(colour).append("\">");
        arrow.from().forEach(x -> svg.append("<circle cx=\"").append(number(x)).append("\" cy=\"").append(number(arrow.row())).append("\" r=\"3.2\"/>"));
        for (double x : arrow.to()) {
            head(svg, x, arrow.row() + out, out);
            if (arrow.pattern() == Pattern.MANY) {
                head(svg, x, arrow.row() + out * 7, out);
            }
        }
        svg.append("</g>");
    }

    private static void head(StringBuilder svg, double x, double y, int out) {
        svg.append("<path d=\"M").append(number(x)).append(' ').append(number(y)).append("l-4.5 ").append(number(out * 8)).append("h9z\"/>");
    }

    /** The words on the bar, on a ground of their own. */
    private void label(StringBuilder svg, Arrow arrow) {
        double width = texts.width(arrow.label(), TextStyle.RANK);
        double x = arrow.labelLeft(width);
        double y = arrow.labelBaseline(width);
        svg.append("<rect x=\"").append(number(x - 6)).append("\" y=\"").append(number(y - 12)).append("\" width=\"").append(number(width + 12))
                .append("\" height=\"16\" fill=\"").append(Ink.PAPER).append("\"/>");
        texts.text(svg, arrow.label(), TextStyle.RANK, x, y, PatternLook.of(arrow.pattern()).colour(), "");
    }
}
