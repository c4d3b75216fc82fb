package entaxis.drawing.paint;

import entaxis.drawing.dependency.DependencyDiagram;
import entaxis.drawing.dependency.DependencyDiagram.Arrow;
import entaxis.drawing.dependency.DependencyDiagram.Attribute;
import entaxis.drawing.dependency.DependencyDiagram.Pattern;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.geom.Path2D;
import java.util.List;

/** Paints dependency diagrams on any surface. */
public final class DependencyPainter {
    private static final double STROKE = 1.6;
    private static final double DOT = 3.2;
    private static final double HEAD = 8;
    private static final double HEAD_HALF = 4.5;
    private static final double SHORT = 7;

    private final TextMeasure measure;

    /** A painter that measures with the bundled fonts. */
    public DependencyPainter(TextMeasure measure) {
        this.measure = measure;
    }

    /** Everything of a diagram. */
    public void paint(DependencyDiagram diagram, Surface on) {
        diagram.boxes().forEach(box -> box(on, box));
        diagram.arrows().forEach(arrow -> arrow(on, arrow));
        diagram.arrows().forEach(arrow -> label(on, arrow));
    }

    private void box(Surface on, Attribute box) {
        on.open(Group.of("").with("attribute", Integer.toString(box.place())));
        on.draw(Outlines.rounded(new Box(box.x(), box.y(), box.width(), DependencyDiagram.BOX), 2),
                Look.stroked(box.key() ? Ink.INK : Ink.RULE, box.key() ? STROKE : 1.2).on(Ink.CARD));
        double width = measure.width(box.name(), TextStyle.ROW);
        double x = box.x() + (box.width() - width) / 2;
        double baseline = box.y() + DependencyDiagram.BOX / 2 + 4.5;
        on.text(box.name(), TextStyle.ROW, x, baseline, Ink.INK, "");
        if (box.key()) {
            on.draw(Outlines.across(x, x + width, baseline + 2.5), Look.stroked(Ink.INK, 1));
        }
        on.close();
    }

    private static void arrow(Surface on, Arrow arrow) {
        PatternLook look = PatternLook.of(arrow.pattern());
        int out = arrow.above() ? -1 : 1;
        Path2D way = Outlines.way(List.of(new Point(arrow.left(), arrow.bar()), new Point(arrow.right(), arrow.bar())));
        arrow.from().forEach(x -> Outlines.add(way, List.of(new Point(x, arrow.row()), new Point(x, arrow.bar()))));
        arrow.to().forEach(
                x -> Outlines.add(way, List.of(new Point(x, arrow.bar()), new Point(x, arrow.row() + out * SHORT))));
        on.draw(way, Look.stroked(look.colour(), STROKE).dashed(look.dashes()));
        Look solid = Look.filled(look.colour());
        arrow.from().forEach(x -> on.draw(Outlines.circle(x, arrow.row(), DOT), solid));
        for (double x : arrow.to()) {
            head(on, x, arrow.row() + out, out, solid);
            if (arrow.pattern() == Pattern.MANY) {
                head(on, x, arrow.row() + out * SHORT, out, solid);
            }
        }
    }

    private static void head(Surface on, double x, double y, int out, Look look) {
        on.draw(Outlines.closed(new Point(x, y), new Point(x - HEAD_HALF, y + out * HEAD),
                new Point(x + HEAD_HALF, y + out * HEAD)), look);
    }

    /** The words on the bar, on a ground of their own. */
    private void label(Surface on, Arrow arrow) {
        double width = measure.width(arrow.label(), TextStyle.RANK);
        double x = arrow.labelLeft(width);
        double y = arrow.labelBaseline(width);
        on.draw(Outlines.rectangle(new Box(x - 6, y - 12, width + 12, 16)), Look.filled(Ink.PAPER));
        on.text(arrow.label(), TextStyle.RANK, x, y, PatternLook.of(arrow.pattern()).colour(), "");
    }
}
