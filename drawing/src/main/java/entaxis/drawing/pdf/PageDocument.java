package entaxis.drawing.pdf;

import com.openhtmltopdf.extend.FSObjectDrawer;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.render.DefaultObjectDrawerFactory;
import com.openhtmltopdf.util.XRLog;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.GraphicsSurface;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.awt.geom.AffineTransform;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.function.IntConsumer;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * Pages of text as PDF, from well-formed HTML with a style for paper. Drawings stand where the text has {@code <object
 * type="application/x-sheet" data="sheet:0">}.
 */
public final class PageDocument {
    private static final String SHEET = "application/x-sheet";
    private final TextMeasure measure;
    private final PictureSource pictures;

    /** A maker that uses the bundled fonts. */
    public PageDocument(TextMeasure measure, PictureSource pictures) {
        this.measure = measure;
        this.pictures = pictures;
    }

    /**
     * The bytes of the file. Nothing outside the text is ever loaded.
     *
     * @param begun is told the number of each page before it is painted, from 1; what it throws ends the work
     */
    public byte[] pdf(String html, List<Drawing> drawings, IntConsumer begun) {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        XRLog.setLoggingEnabled(false);
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useFastMode();
        if (measure.covers(html, TextStyle.ROW)) {
            builder.withHtmlContent(html, null);
        } else {
            builder.withW3cDocument(new BorrowedLetters(measure).in(html), null);
        }
        builder.useUriResolver((base, uri) -> uri != null && uri.startsWith("#") ? uri : null);
        for (TextStyle style : List.of(TextStyle.ROW, TextStyle.NAME, TextStyle.VERB, TextStyle.TYPE)) {
            builder.useFont(style::open, style.family(), style.weight(),
                    style.italic() ? FontStyle.ITALIC : FontStyle.NORMAL, true);
        }
        DefaultObjectDrawerFactory objects = new DefaultObjectDrawerFactory();
        objects.registerDrawer(SHEET, drawer(drawings));
        objects.registerDrawer(BorrowedLetters.TYPE, new BorrowedLetters(measure)::draw);
        builder.useObjectDrawerFactory(objects);
        builder.withProducer("Entaxis");
        builder.usePageSupplier((document, width, height, number, shadow) -> {
            begun.accept(document.getNumberOfPages() + 1);
            PDPage page = new PDPage(new PDRectangle(width, height));
            document.addPage(page);
            return page;
        });
        builder.toStream(file);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return file.toByteArray();
    }

    /** Draws a sheet as large as fits into its place, in vectors. */
    private FSObjectDrawer drawer(List<Drawing> drawings) {
        return (element, x, y, width, height, device, context, dots) -> {
            Drawing drawing = drawings.get(Integer.parseInt(element.getAttribute("data").substring("sheet:".length())));
            device.drawWithGraphics((float) x, (float) y, (float) width / dots, (float) height / dots, graphics -> {
                Box box = drawing.box();
                double scale = Math.min(width / (double) dots / box.width(), height / (double) dots / box.height());
                AffineTransform before = graphics.getTransform();
                graphics.scale(scale, scale);
                graphics.translate(-box.x(), -box.y());
                drawing.paint().accept(new GraphicsSurface(graphics, measure, pictures));
                graphics.setTransform(before);
            });
            return Map.of();
        };
    }
}
