package entaxis.drawing.paint;

import com.github.weisj.jsvg.SVGDocument;
import com.github.weisj.jsvg.parser.LoaderContext;
import com.github.weisj.jsvg.parser.SVGLoader;
import com.github.weisj.jsvg.view.ViewBox;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import javax.imageio.ImageIO;

/**
 * Draws with Java's own graphics: on pixels, or on whatever stands behind a {@link Graphics2D}, such as a page of a PDF
 * file.
 */
public final class GraphicsSurface implements Surface {
    private static final float MITER = 10;
    private static final ConcurrentMap<String, Color> COLOURS = new ConcurrentHashMap<>();

    private final Graphics2D on;
    private final TextMeasure measure;
    private final PictureSource pictures;
    private final Deque<AffineTransform> outer = new ArrayDeque<>();

    /** A surface in front of some graphics, whose unit is that of the sheet. */
    public GraphicsSurface(Graphics2D on, TextMeasure measure, PictureSource pictures) {
        this.on = on;
        this.measure = measure;
        this.pictures = pictures;
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        on.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
        on.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        on.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
    }

    @Override
    public void open(Group group) {
        outer.push(on.getTransform());
        group.offset().ifPresent(by -> on.translate(by.x(), by.y()));
        if (group.scale() != 1) {
            on.scale(group.scale(), group.scale());
        }
    }

    @Override
    public void close() {
        on.setTransform(outer.pop());
    }

    @Override
    public void draw(Shape shape, Look look) {
        if (!look.seen()) {
            return;
        }
        if (!look.fill().isEmpty()) {
            on.setColor(colour(look.fill()));
            on.fill(shape);
        }
        if (!look.stroke().isEmpty()) {
            on.setColor(colour(look.stroke()));
            on.setStroke(stroke(look));
            on.draw(shape);
        }
    }

    private static BasicStroke stroke(Look look) {
        List<Integer> dashes = look.dashes();
        if (dashes.isEmpty()) {
            return new BasicStroke((float) look.width(), BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, MITER);
        }
        float[] lengths = new float[dashes.size()];
        for (int i = 0; i < lengths.length; i++) {
            lengths[i] = dashes.get(i);
        }
        return new BasicStroke((float) look.width(), BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, MITER, lengths, 0);
    }

    /**
     * A text in the bundled font, or in one of the machine's where the bundled one lacks a character, then as wide as
     * it was measured.
     */
    @Override
    public void text(String text, TextStyle style, double x, double baseline, String colour, String role) {
        if (text.isBlank()) {
            return;
        }
        on.setColor(colour(colour));
        if (measure.covers(text, style)) {
            on.setFont(measure.font(style));
            on.drawString(text, (float) x, (float) baseline);
            return;
        }
        Font borrowed = new Font(style == TextStyle.TYPE ? Font.MONOSPACED : Font.SANS_SERIF,
                (style.weight() > 400 ? Font.BOLD : 0) | (style.italic() ? Font.ITALIC : 0), style.size());
        double width = borrowed.getStringBounds(text, on.getFontRenderContext()).getWidth();
        AffineTransform before = on.getTransform();
        on.translate(x, baseline);
        on.scale(width > 0 ? measure.width(text, style) / width : 1, 1);
        on.setFont(borrowed);
        on.drawString(text, 0f, 0f);
        on.setTransform(before);
    }

    @Override
    public void picture(String content, Box box) {
        pictures.find(content).ifPresent(picture -> {
            if (picture.type().contains("svg")) {
                SVGDocument document = new SVGLoader().load(new ByteArrayInputStream(picture.bytes()), null,
                        LoaderContext.createDefault());
                if (document != null) {
                    document.render((java.awt.Component) null, on,
                            new ViewBox((float) box.x(), (float) box.y(), (float) box.width(), (float) box.height()));
                }
                return;
            }
            try {
                BufferedImage image = ImageIO.read(new ByteArrayInputStream(picture.bytes()));
                double scale = Math.min(box.width() / image.getWidth(), box.height() / image.getHeight());
                AffineTransform place = AffineTransform.getTranslateInstance(
                        box.centreX() - image.getWidth() * scale / 2, box.centreY() - image.getHeight() * scale / 2);
                place.scale(scale, scale);
                on.drawImage(image, place, null);
            } catch (IOException e) {
                // a picture that was kept and can no longer be read leaves its place empty, as a browser does
                draw(Outlines.rectangle(box), Look.stroked(Ink.RULE, 1));
            }
        });
    }

    private static Color colour(String hex) {
        return COLOURS.computeIfAbsent(hex, Color::decode);
    }
}
