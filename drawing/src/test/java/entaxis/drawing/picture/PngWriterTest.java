package entaxis.drawing.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.zip.CRC32;
import java.util.zip.InflaterInputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Against Java's own reader, and against the checks that ISO/IEC 15948 and RFC 1950 ask for. */
class PngWriterTest {
    @ParameterizedTest(name = "{0} x {1}, type {2}")
    @CsvSource({"1, 1, 1", "1, 1, 2", "3, 700, 1", "700, 3, 2", "1900, 1400, 1", "1100, 1300, 2", "900000, 3, 1"})
    void keepsEachPixel(int width, int height, int type) throws IOException {
        BufferedImage image = speckled(width, height, type);

        byte[] file = PngWriter.write(List.of(image));

        BufferedImage read = ImageIO.read(new ByteArrayInputStream(file));
        assertThat(read.getRGB(0, 0, width, height, null, 0, width))
                .isEqualTo(image.getRGB(0, 0, width, height, null, 0, width));
        assertThat(read.getColorModel().hasAlpha()).isEqualTo(type == BufferedImage.TYPE_INT_ARGB);
    }

    @ParameterizedTest
    @CsvSource({"1900, 1400, 1", "1100, 1300, 2"})
    void everyCheckSumIsRight(int width, int height, int type) throws IOException {
        ByteBuffer file = ByteBuffer
                .wrap(PngWriter
                        .write(List.of(speckled(width, height / 2, type), speckled(width, height - height / 2, type))))
                .position(8);
        ByteArrayOutputStream stream = new ByteArrayOutputStream();
        List<String> kinds = new ArrayList<>();
        while (file.hasRemaining()) {
            byte[] chunk = new byte[file.getInt() + 4];
            file.get(chunk);
            CRC32 check = new CRC32();
            check.update(chunk);
            assertThat(file.getInt()).isEqualTo((int) check.getValue());
            kinds.add(new String(chunk, 0, 4, StandardCharsets.US_ASCII));
            if (kinds.getLast().equals("IDAT")) {
                stream.write(chunk, 4, chunk.length - 4);
            }
        }

        assertThat(kinds).startsWith("IHDR", "IDAT").endsWith("IDAT", "IEND");
        // the stream is refused here where its Adler-32 is wrong
        byte[] rows = new InflaterInputStream(new ByteArrayInputStream(stream.toByteArray())).readAllBytes();
        assertThat(rows).hasSize(height * (1 + width * (type == BufferedImage.TYPE_INT_ARGB ? 4 : 3)));
    }

    /** Flat colour with spots, as a drawing has it. */
    private static BufferedImage speckled(int width, int height, int type) {
        BufferedImage image = new BufferedImage(width, height, type);
        Random random = new Random(width);
        for (int i = 0; i < Math.min(width * height, 20_000); i++) {
            image.setRGB(random.nextInt(width), random.nextInt(height), random.nextInt());
        }
        return image;
    }
}
