package entaxis.drawing.picture;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.GraphicsSurface;
import entaxis.drawing.paint.Ink;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.text.TextMeasure;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.stream.IntStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/** Paints pictures in pixels. */
public final class Pixels {
    /** Pixels of one picture at most, so that a very large sheet does not exhaust the memory. */
    public static final double MAX_COUNT = 40_000_000;
    private static final float JPEG_QUALITY = 0.92f;

    private final TextMeasure measure;
    private final PictureSource pictures;

    /** Pictures with the bundled fonts. */
    public Pixels(TextMeasure measure, PictureSource pictures) {
        this.measure = measure;
        this.pictures = pictures;
    }

    /**
     * A drawing as a PNG file.
     *
     * @param scale       pixels for each unit of the sheet; fewer where the picture would become too large
     * @param transparent whether nothing lies below what is painted, instead of paper
     */
    public byte[] png(Drawing drawing, double scale, boolean transparent) {
        double fitted = scale(drawing.box(), scale);
        int height = pixels(drawing.box().height(), fitted);
        int strips = Math.min(height, Runtime.getRuntime().availableProcessors());
        return PngWriter.write(IntStream.range(0, strips).parallel()
                .mapToObj(strip -> image(drawing, fitted, transparent, (int) ((long) height * strip / strips),
                        (int) ((long) height * (strip + 1) / strips)))
                .toList());
    }

    /** A drawing on paper as a JPEG file. */
    public byte[] jpeg(Drawing drawing, double scale) {
        double fitted = scale(drawing.box(), scale);
        return jpeg(image(drawing, fitted, false, 0, pixels(drawing.box().height(), fitted)));
    }

    private static byte[] jpeg(BufferedImage image) {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (ImageOutputStream out = new MemoryCacheImageOutputStream(file)) {
            writer.setOutput(out);
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(JPEG_QUALITY);
            writer.write(null, new IIOImage(image, null, null), how);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            writer.dispose();
        }
        return file.toByteArray();
    }

    /** How many pixels a unit gets in the end. */
    public static double scale(Box box, double wanted) {
        return Math.min(wanted, Math.sqrt(MAX_COUNT / (box.width() * box.height())));
    }

    private static int pixels(double units, double scale) {
        return Math.max(1, (int) Math.ceil(units * scale));
    }

    /** The rows of a picture from one to another. */
    private BufferedImage image(Drawing drawing, double scale, boolean transparent, int from, int to) {
        Box box = drawing.box();
        BufferedImage image = new BufferedImage(pixels(box.width(), scale), to - from,
                transparent ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB);
        Graphics2D on = image.createGraphics();
        if (!transparent) {
            on.setColor(Color.decode(Ink.PAPER));
            on.fill(new Rectangle2D.Double(0, 0, image.getWidth(), image.getHeight()));
        }
        on.translate(0, -from);
        on.scale(scale, scale);
        on.translate(-box.x(), -box.y());
        drawing.paint().accept(new GraphicsSurface(on, measure, pictures));
        on.dispose();
        return image;
    }
}
