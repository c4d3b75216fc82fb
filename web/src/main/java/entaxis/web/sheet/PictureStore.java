package entaxis.web.sheet;

import entaxis.drawing.paint.PictureSource;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.Locale;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the bytes of pictures, each under a key made of them, so that they never change and are kept once. */
@Component
public class PictureStore implements PictureSource {
    private static final int MAX_BYTES = 2_000_000;
    private static final int MAX_SIDE = 8000;

    /** A picture that was taken in. */
    public record Kept(String content, int width, int height) { }

    /** A file that is no picture that can be shown, with the reason. */
    public static final class NoPicture extends RuntimeException {
        private static final long serialVersionUID = 1;

        NoPicture(String message) {
            super(message);
        }
    }

    private final PictureMapper mapper;

    PictureStore(PictureMapper mapper) {
        this.mapper = mapper;
    }

    /** Where a page finds a picture. */
    public static String address(String content) {
        return "/pictures/" + content;
    }

    /**
     * Keeps a PNG, a JPEG or an SVG; an SVG without scripts and without anything from elsewhere.
     *
     * @throws NoPicture if it is none of these, or too large
     */
    @Transactional
    public Kept keep(byte[] bytes) {
        if (bytes.length > MAX_BYTES) {
            throw new NoPicture("The picture has " + bytes.length / 1024 + " kB; " + MAX_BYTES / 1000
                    + " kB is the most. Make it smaller.");
        }
        boolean svg = new String(bytes, 0, Math.min(bytes.length, 1000), StandardCharsets.UTF_8).contains("<svg");
        return svg ? svg(bytes) : bitmap(bytes);
    }

    private Kept svg(byte[] bytes) {
        CleanSvg clean = CleanSvg.of(bytes)
                .orElseThrow(() -> new NoPicture("This SVG cannot be read. Save it again as plain SVG, or as PNG."));
        return kept("image/svg+xml", clean.text().getBytes(StandardCharsets.UTF_8), clean.width(), clean.height());
    }

    private Kept bitmap(byte[] bytes) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            ImageReader reader = readers.hasNext() ? readers.next() : null;
            String format = reader == null ? "" : reader.getFormatName().toLowerCase(Locale.ROOT);
            if (!format.equals("png") && !format.equals("jpeg")) {
                throw new NoPicture("This file is no PNG, JPEG or SVG. Choose one of these.");
            }
            reader.setInput(in, true, true);
            int width = reader.getWidth(0);
            int height = reader.getHeight(0);
            reader.dispose();
            if (width > MAX_SIDE || height > MAX_SIDE) {
                throw new NoPicture("The picture is " + width + " by " + height + " pixels; " + MAX_SIDE
                        + " is the most on a side. Make it smaller.");
            }
            return kept("image/" + format, bytes, width, height);
        } catch (IOException e) {
            throw new NoPicture("The picture cannot be read; it may be damaged. Save it again.");
        }
    }

    private Kept kept(String type, byte[] bytes, int width, int height) {
        String content = HexFormat.of().formatHex(sha256(bytes)).substring(0, 40);
        if (mapper.picture(content).isEmpty()) {
            mapper.insertPicture(content, type, bytes);
        }
        return new Kept(content, width, height);
    }

    private static byte[] sha256(byte[] bytes) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(bytes);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    @Override
    public Optional<Bytes> find(String content) {
        return mapper.picture(content).map(row -> new Bytes(row.type(), row.bytes()));
    }
}
