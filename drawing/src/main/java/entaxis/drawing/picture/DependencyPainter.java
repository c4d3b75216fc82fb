package entaxis.drawing.picture;

import entaxis.drawing.dependency.DependencyDiagram;
import entaxis.drawing.dependency.DependencyDiagram.Arrow;
import entaxis.drawing.dependency.DependencyDiagram.Attribute;
import entaxis.drawing.dependency.DependencyDiagram.Pattern;
import entaxis.drawing.dependency.PatternLook;
import entaxis.drawing.svg.Ink;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import javax.imageio.ImageIO;

/** Paints dependency diagrams in pixels: the same picture that {@link entaxis.drawing.svg.DependencyPen} writes as SVG. */
public final class DependencyPainter {
    private static final Color PAPER = Color.decode(Ink.PAPER);
    private static final Color CARD = Color.decode(Ink.CARD);
    private static final Color INK = Color.decode(Ink.INK);
    private static final Color RULE = Color.decode(Ink.RULE);
    /** Pixels of one picture at most, so that a very wide row of attributes does not exhaust the memory. */
    private static final double MAX_PIXELS = 40_000_000;

    private final TextMeasure measure;

    /** A painter that uses the bundled fonts. */
    public DependencyPainter(TextMeasure measure) {
        this.measure = measure;
    }

    /** The diagram as a PNG file, with so many pixels for each unit of the sheet, fewer where the picture would become too large. */
    public byte[] png(DependencyDiagram diagram, double scale) {
        double fitting = Math.min(scale, Math.sqrt(MAX_PIXELS / (diagram.width() * diagram.height())));
        BufferedImage image = new BufferedImage((int) Math.ceil(diagram.width() * fitting), (int) Math.ceil(diagram.height() * fitting), BufferedImage.TYPE_INT_RGB);
        Graphics2D on = image.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
        on.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        on.scale(fitting, fitting);
        on.setColor(PAPER);
        on.fill(new Rectangle2D.Double(0, 0, diagram.width() + 1, diagram.height() + 1));
        diagram.boxes().forEach(box -> box(on, box));
        diagram.arrows().forEach(arrow -> arrow(on, arrow));
        diagram.arrows().forEach(arrow -> label(on, arrow));
        on.dispose();
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return file.toByteArray();
    }

    private void box(Graphics2D on, Attribute box) {
        RoundRectangle2D edge = new RoundRectangle2D.Double(box.x(), box.y(), box.width(), DependencyDiagram.BOX, 4, 4);
        on.setColor(CARD);
        on.fill(edge);
        on.setColor(box.key() ? INK : RULE);
        on.setStroke(new BasicStroke(box.key() ? 1.6f : 1.2f));
        on.draw(edge);
        double width = measure.width(box.name(), TextStyle.ROW);
        double x = box.x() + (box.width() - width) / 2;
        double baseline = box.y() + DependencyDiagram.BOX / 2 + 4.5;
        text(on, box.name(), TextStyle.ROW, x, baseline, INK);
        if (box.key()) {
            on.setStroke(new BasicStroke(1));
            on.draw(new Line2D.Double(x, baseline + 2.5, x + width, baseline + 2.5));
        }
    }

    private static void arrow(Graphics2D on, Arrow arrow) {
        PatternLook look = PatternLook.of(arrow.pattern());
        on.setColor(Color.decode(look.colour()));
        on.setStroke(stroke(look.dashes()));
        int out = arrow.above() ? -1 : 1;
        Path2D way = new Path2D.Double();
        way.moveTo(arrow.left(), arrow.bar());
        way.lineTo(arrow.right(), arrow.bar());
        arrow.from().forEach(x -> upright(way, x, arrow.row(), arrow.bar()));
        arrow.to().forEach(x -> upright(way, x, arrow.bar(), arrow.row() + out * 7));
        on.draw(way);
        arrow.from().forEach(x -> on.fill(new Ellipse2D.Double(x - 3.2, arrow.row() - 3.2, 6.4, 6.4)));
        for (double x : arrow.to()) {
            head(on, x, arrow.row() + out, out);
            if (arrow.pattern() == Pattern.MANY) {
                head(on, x, arrow.row() + out * 7, out);
            }
        }
    }

    private static void upright(Path2D way, double x, double from, double to) {
        way.moveTo(x, from);
        way.lineTo(x, to);
    }

    private static BasicStroke stroke(List<Integer> dashes) {
        float[] lengths = new float[dashes.size()];
        for (int i = 0; i < lengths.length; i++) {
            lengths[i] = dashes.get(i);
        }
        return lengths.length == 0 ? new BasicStroke(1.6f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER)
                : new BasicStroke(1.6f, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, lengths, 0);
    }

    private static void head(Graphics2D on, double x, double y, int out) {
        Path2D head = new Path2D.Double();
        head.moveTo(x, y);
        head.lineTo(x - 4.5, y + out * 8);
        head.lineTo(x + 4.5, y + out * 8);
        head.closePath();
        on.fill(head);
    }

    private void label(Graphics2D on, Arrow arrow) {
        double width = measure.width(arrow.label(), TextStyle.RANK);
        double x = arrow.labelLeft(width);
        double y = arrow.labelBaseline(width);
        on.setColor(PAPER);
        on.fill(new Rectangle2D.Double(x - 6, y - 12, width + 12, 16));
        text(on, arrow.label(), TextStyle.RANK, x, y, Color.decode(PatternLook.of(arrow.pattern()).colour()));
    }

    /** A text in the bundled font, or in one of the machine's where the bundled one lacks a character. */
    private void text(Graphics2D on, String text, TextStyle style, double x, double y, Color colour) {
        on.setColor(colour);
        on.setFont(measure.covers(text, style) ? measure.font(style) : new java.awt.Font(java.awt.Font.SANS_SERIF, java.awt.Font.PLAIN, style.size()));
        on.drawString(text, (float) x, (float) y);
    }
}
