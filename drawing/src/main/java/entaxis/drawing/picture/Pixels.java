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
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import javax.imageio.stream.MemoryCacheImageOutputStream;

/** Paints pictures in pixels. */
public final class Pixels {
    /** Pixels of one picture at most, so that a very large sheet does not exhaust the memory. */
    public static final double MOST = 40_000_000;
    private static final float JPEG_QUALITY = 0.92f;
    /** Flat colours compress well enough at the lowest level. */
    private static final float PNG_SPEED = 0.9f;

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
        return encoded(image(drawing, scale, transparent), "png", PNG_SPEED);
    }

    /** A drawing on paper as a JPEG file. */
    public byte[] jpeg(Drawing drawing, double scale) {
        return encoded(image(drawing, scale, false), "jpeg", JPEG_QUALITY);
    }

    /** The bytes of a picture file; for PNG, which loses nothing, quality is speed at the cost of size. */
    private static byte[] encoded(BufferedImage image, String format, float quality) {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName(format).next();
        try (ImageOutputStream out = new MemoryCacheImageOutputStream(file)) {
            writer.setOutput(out);
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(quality);
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
        return Math.min(wanted, Math.sqrt(MOST / (box.width() * box.height())));
    }

    private BufferedImage image(Drawing drawing, double wanted, boolean transparent) {
        Box box = drawing.box();
        double scale = scale(box, wanted);
        BufferedImage image = new BufferedImage(Math.max(1, (int) Math.ceil(box.width() * scale)), Math.max(1, (int) Math.ceil(box.height() * scale)),
                transparent ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB);
        Graphics2D on = image.createGraphics();
        if (!transparent) {
            on.setColor(Color.decode(Ink.PAPER));
            on.fill(new Rectangle2D.Double(0, 0, image.getWidth(), image.getHeight()));
        }
        on.scale(scale, scale);
        on.translate(-box.x(), -box.y());
        drawing.paint().accept(new GraphicsSurface(on, measure, pictures));
        on.dispose();
        return image;
    }
}
