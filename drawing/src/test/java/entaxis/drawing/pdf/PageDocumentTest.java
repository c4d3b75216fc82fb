package entaxis.drawing.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.text.TextMeasure;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Pages of text as PDF. */
class PageDocumentTest {
    private static byte[] pdf(String body) {
        return new PageDocument(new TextMeasure(), PictureSource.NONE).pdf(
                "<html><head><style>body { font-family: 'Source Sans 3'; }</style></head><body>" + body
                        + "</body></html>",
                List.of(), page -> { });
    }

    private static long ink(byte[] file) throws IOException {
        try (PDDocument document = Loader.loadPDF(file)) {
            BufferedImage image = new PDFRenderer(document).renderImageWithDPI(0, 72);
            long dark = 0;
            for (int x = 0; x < image.getWidth(); x++) {
                for (int y = 0; y < image.getHeight(); y++) {
                    dark += (image.getRGB(x, y) & 0xff) < 160 ? 1 : 0;
                }
            }
            return dark;
        }
    }

    /**
     * What is drawn for a letter that is missing everywhere is at least its sign; a # in its place would be another
     * text.
     */
    @Test
    void lettersThatTheFontsLackAreDrawnAndNotExchanged() throws IOException {
        byte[] mixed = pdf("<p>seed 種子 bank &#x1F331; end</p>");
        try (PDDocument document = Loader.loadPDF(mixed)) {
            assertThat(new PDFTextStripper().getText(document)).contains("seed").contains("bank").contains("end")
                    .doesNotContain("#");
        }
        assertThat(ink(mixed)).isGreaterThan(ink(pdf("<p>seed bank end</p>")));
    }

    @Test
    void theWorkEndsWhereItsWatcherThrows() {
        String long3 = "<p>line</p>".repeat(200);
        assertThatThrownBy(() -> new PageDocument(new TextMeasure(), PictureSource.NONE)
                .pdf("<html><head/><body>" + long3 + "</body></html>", List.of(), page -> {
            if (page == 2) {
                throw new IllegalStateException("stopped");
            }
        })).hasStackTraceContaining("stopped");
    }
}
