package entaxis.drawing.svg;

import static entaxis.drawing.svg.SvgText.number;

import entaxis.drawing.dependency.DependencyDiagram;
import entaxis.drawing.dependency.DependencyDiagram.Arrow;
import entaxis.drawing.dependency.DependencyDiagram.Attribute;
import entaxis.drawing.dependency.DependencyDiagram.Pattern;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;

/** Writes dependency diagrams as SVG. All text is escaped; all looks are plain attributes. */
public final class DependencyPen {
    private static final String OCHRE = "#8A5A00";
    private static final String MADDER = "#A32D43";

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

    private static String colour(Pattern pattern) {
        return switch (pattern) {
            case FULL, MANY -> Ink.INK;
            case PARTIAL -> OCHRE;
            case TRANSITIVE, PART_OF_KEY -> MADDER;
        };
    }

    private static String dashes(Pattern pattern) {
        return switch (pattern) {
            case FULL -> "";
            case PARTIAL -> " stroke-dasharray=\"8 4\"";
            case TRANSITIVE -> " stroke-dasharray=\"2 3\"";
            case PART_OF_KEY -> " stroke-dasharray=\"9 3 2 3\"";
            case MANY -> " stroke-dasharray=\"1 2\"";
        };
    }

    private static void arrow(StringBuilder svg, Arrow arrow) {
        String colour = colour(arrow.pattern());
        int out = arrow.above() ? -1 : 1;
        svg.append("<g fill=\"none\" stroke=\"").append(colour).append("\" stroke-width=\"1.6\"><path").append(dashes(arrow.pattern())).append(" d=\"");
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

    /** The words on the bar, on a ground of their own; beyond it where the bar is too short. */
    private void label(StringBuilder svg, Arrow arrow) {
        double width = texts.width(arrow.label(), TextStyle.RANK);
        double middle = (arrow.left() + arrow.right()) / 2;
        boolean within = arrow.right() - arrow.left() > width + 24;
        double y = within ? arrow.bar() + 4 : arrow.above() ? arrow.bar() - 7 : arrow.bar() + 15;
        svg.append("<rect x=\"").append(number(middle - width / 2 - 6)).append("\" y=\"").append(number(y - 12)).append("\" width=\"").append(number(width + 12))
                .append("\" height=\"16\" fill=\"").append(Ink.PAPER).append("\"/>");
        texts.text(svg, arrow.label(), TextStyle.RANK, Math.max(4, middle - width / 2), y, colour(arrow.pattern()), "");
    }
}
