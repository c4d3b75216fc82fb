package entaxis.drawing.picture;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.Adler32;
import java.util.zip.CRC32;
import java.util.zip.Deflater;

/**
 * Writes PNG files (ISO/IEC 15948) of large flat drawings: bands of rows are compressed side by side on all processors
 * and joined to one zlib stream (RFC 1950), which Java's own writer does on one processor in three times the time. Rows
 * are not filtered, because flat colours compress as well without.
 */
final class PngWriter {
    private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};
    private static final byte[] ZLIB_HEADER = {0x78, 0x01};
    /** An empty last block (RFC 1951, 3.2.6: end of block, in fixed codes). */
    private static final byte[] END_OF_STREAM = {0x03, 0x00};
    private static final int TRUE_COLOUR = 2;
    private static final int TRUE_COLOUR_WITH_ALPHA = 6;
    private static final int BITS = 8;
    /** Bytes of one band before it is compressed. */
    private static final int BAND = 1 << 21;

    private final int width;
    private final int height;
    private final boolean alpha;
    private final List<BufferedImage> strips;

    private PngWriter(List<BufferedImage> strips) {
        this.strips = strips;
        this.width = strips.getFirst().getWidth();
        this.height = strips.stream().mapToInt(BufferedImage::getHeight).sum();
        this.alpha = strips.getFirst().getColorModel().hasAlpha();
    }

    /**
     * The file of a picture that is given in strips, from top to bottom; each keeps a pixel in one {@code int}, all
     * with alpha or all without.
     */
    static byte[] write(List<BufferedImage> strips) {
        return new PngWriter(strips).file();
    }

    private byte[] file() {
        List<Band> bands = bands().parallelStream().map(this::compressed).toList();
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.writeBytes(SIGNATURE);
        ByteBuffer header = ByteBuffer.allocate(13).putInt(width).putInt(height).put((byte) BITS)
                .put((byte) (alpha ? TRUE_COLOUR_WITH_ALPHA : TRUE_COLOUR));
        chunk(file, "IHDR", header.array());
        chunk(file, "IDAT", ZLIB_HEADER);
        long sum = 1;
        for (Band band : bands) {
            chunk(file, "IDAT", band.bytes());
            sum = joined(sum, band.sum(), band.length());
        }
        chunk(file, "IDAT", END_OF_STREAM);
        chunk(file, "IDAT", ByteBuffer.allocate(4).putInt((int) sum).array());
        chunk(file, "IEND", new byte[0]);
        return file.toByteArray();
    }

    /** Rows of a strip that are compressed together. */
    private record Rows(BufferedImage strip, int from, int to) { }

    private List<Rows> bands() {
        int most = Math.max(1, BAND / rowLength());
        List<Rows> bands = new ArrayList<>();
        for (BufferedImage strip : strips) {
            for (int from = 0; from < strip.getHeight(); from += most) {
                bands.add(new Rows(strip, from, Math.min(strip.getHeight(), from + most)));
            }
        }
        return bands;
    }

    private int rowLength() {
        return 1 + width * (alpha ? 4 : 3);
    }

    /**
     * Some rows, compressed so that the next band can follow.
     *
     * @param sum    Adler-32 of the rows
     * @param length bytes of the rows
     */
    private record Band(byte[] bytes, long sum, long length) { }

    private Band compressed(Rows rows) {
        int[] pixels = ((DataBufferInt) rows.strip().getRaster().getDataBuffer()).getData();
        byte[] plain = new byte[(rows.to() - rows.from()) * rowLength()];
        int at = 0;
        for (int y = rows.from(); y < rows.to(); y++) {
            at++;   // the filter of the row: none
            for (int i = y * width, end = i + width; i < end; i++) {
                int pixel = pixels[i];
                plain[at++] = (byte) (pixel >> 16);
                plain[at++] = (byte) (pixel >> 8);
                plain[at++] = (byte) pixel;
                if (alpha) {
                    plain[at++] = (byte) (pixel >> 24);
                }
            }
        }
        Adler32 sum = new Adler32();
        sum.update(plain);
        return new Band(compressed(plain), sum.getValue(), plain.length);
    }

    /** Whole blocks of a stream that goes on. */
    private static byte[] compressed(byte[] plain) {
        Deflater deflater = new Deflater(Deflater.BEST_SPEED, true);
        try {
            deflater.setInput(plain);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream(plain.length / 16);
            byte[] buffer = new byte[1 << 16];
            int length;
            do {
                length = deflater.deflate(buffer, 0, buffer.length, Deflater.SYNC_FLUSH);
                bytes.write(buffer, 0, length);
            } while (length == buffer.length);
            return bytes.toByteArray();
        } finally {
            deflater.end();
        }
    }

    /**
     * The Adler-32 of two texts one after the other, from those of each (RFC 1950, 8.2: both sums count modulo 65521).
     */
    private static long joined(long first, long second, long secondLength) {
        long base = 65521;
        long low = (first & 0xFFFF) + (second & 0xFFFF) - 1;
        long high = (first >> 16) + (second >> 16) + secondLength % base * ((first & 0xFFFF) - 1 + base);
        return Math.floorMod(high, base) << 16 | Math.floorMod(low, base);
    }

    private static void chunk(ByteArrayOutputStream file, String type, byte[] data) {
        byte[] name = type.getBytes(StandardCharsets.US_ASCII);
        CRC32 check = new CRC32();
        check.update(name);
        check.update(data);
        file.writeBytes(ByteBuffer.allocate(4).putInt(data.length).array());
        file.writeBytes(name);
        file.writeBytes(data);
        file.writeBytes(ByteBuffer.allocate(4).putInt((int) check.getValue()).array());
    }
}
