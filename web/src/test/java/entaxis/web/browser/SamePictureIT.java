package entaxis.web.browser;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.Notation;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.small.Small;
import entaxis.drawing.file.FileOptions;
import entaxis.drawing.file.Format;
import entaxis.drawing.file.SheetFiles;
import entaxis.drawing.file.SheetPicture;
import entaxis.drawing.file.SheetPictures;
import entaxis.drawing.layout.FirstSheet;
import entaxis.drawing.paint.Drawing;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.pdf.TitleBlock;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import entaxis.web.demo.SeedVault;
import java.awt.Graphics2D;
import java.awt.Image;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/**
 * PNG, JPEG and PDF against two outside witnesses: Chromium's picture of the SVG, and what poppler (pdftoppm) makes of
 * the PDF. Both draw with rules of their own at the edges of letters, so pictures are compared after a blur of three by
 * three pixels.
 */
class SamePictureIT extends BrowserTest {
    /** How much blurred pictures may be apart, in parts of the ink. */
    private static final double OFF = 0.2;
    /** Which part of the inked pixels may be off by more than a quarter of the scale. */
    private static final double FAR_OFF = 0.003;
    private static final int QUARTER = 64;
    /** Random designs to compare; more by -Dentaxis.pictures. */
    private static final int RANDOM = Rounds.of(2);
    /** Poppler makes thin lines a whole pixel wide; its pixels are made so much smaller, and joined. */
    private static final int FINER = 2;
    private static final double POINTS_A_MILLIMETRE = 72 / 25.4;
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final SheetFiles FILES = new SheetFiles(MEASURE, PictureSource.NONE);

    @Test
    void theDemoInEachNotation() throws Exception {
        Design design = SeedVault.design();
        for (Notation notation : Notation.values()) {
            same(design, design.sheet(), Lens.CONCEPT, notation, notation + " concept");
        }
        same(design, design.sheets().list().getLast(), Lens.CONCEPT, Notation.IDEF1X, "sheet with a note");
        same(design, design.sheet(), Lens.TABLES, Notation.CROWS_FOOT, "tables");
    }

    @Test
    void randomDesigns() throws Exception {
        int compared = 0;
        for (int seed = 0; compared < RANDOM; seed++) {
            Design design = FirstSheet.arranged(RandomDesigns.design(seed, 2 + seed % 7), MEASURE);
            if (!hasGlyphs(design)) {
                continue;
            }
            compared++;
            same(design, design.sheet(), seed % 2 == 0 ? Lens.TABLES : Lens.CONCEPT,
                    Notation.values()[seed % Notation.values().length], "seed " + seed);
        }
    }

    /** Whether the fonts that come along have all its letters: what the system puts in for others differs. */
    private static boolean hasGlyphs(Design design) {
        String letters = design.toString().codePoints().filter(Character::isLetter)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
        return MEASURE.covers(letters, TextStyle.values()[0]);
    }

    /** The comparison itself: another name in one row, or one line dashed instead of solid, is seen. */
    @Test
    void aSmallDifferenceIsSeen() throws Exception {
        Small one = new Small().entity("Site", "site_code char(4) primary key", "name text").entity("Visit",
                "visit_no integer primary key", "paid_by text");
        Small other = new Small().entity("Site", "site_code char(4) primary key", "name text").entity("Visit",
                "visit_no integer primary key", "made_at text");
        assertThat(off(png(one.design()), png(other.design()))[1]).isGreaterThan(FAR_OFF);
        Small solid =
                one.relate("Site", "gets", Cardinality.EXACTLY_ONE, "Visit", "is at", Cardinality.ZERO_OR_MORE, true);
        Small dashed = new Small().entity("Site", "site_code char(4) primary key", "name text")
                .entity("Visit", "visit_no integer primary key", "paid_by text")
                .relate("Site", "gets", Cardinality.EXACTLY_ONE, "Visit", "is at", Cardinality.ZERO_OR_MORE, false);
        assertThat(off(png(solid.design()), png(dashed.design()))[1]).isGreaterThan(FAR_OFF);
    }

    private static BufferedImage png(Design design) throws IOException {
        return image(FILES.picture(SheetPictures.of(design, Derivation.of(design), design.sheet(), Lens.CONCEPT,
                Optional.empty(), Set.of(), MEASURE), FileOptions.as(Format.PNG)));
    }

    private void same(Design design, Sheet sheet, Lens lens, Notation notation, String what) throws Exception {
        SheetPicture picture =
                SheetPictures.of(design, Derivation.of(design), sheet, lens, Optional.of(notation), Set.of(), MEASURE);
        SheetPicture bare =
                new SheetPicture(picture.name(), picture.scene().withoutFrame(), picture.paper(), picture.areas());
        BufferedImage browser =
                browser(FILES.picture(bare, FileOptions.as(Format.SVG)), Drawing.of(bare.scene(), MEASURE));
        alike(browser, image(FILES.picture(bare, FileOptions.as(Format.PNG))), what + ", PNG");
        alike(browser, image(FILES.picture(bare, FileOptions.as(Format.JPEG))), what + ", JPEG");
        alike(browser, rendered(bare, browser.getWidth(), browser.getHeight()), what + ", PDF");
    }

    private static BufferedImage image(byte[] bytes) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(bytes));
    }

    private BufferedImage browser(byte[] svg, Drawing drawing) throws IOException {
        page.setViewportSize((int) Math.ceil(drawing.box().width()), (int) Math.ceil(drawing.box().height()));
        page.setContent("<style>body{margin:0;background:#FBF9F4}svg{display:block}</style>"
                + new String(svg, StandardCharsets.UTF_8));
        page.evaluate("document.fonts.ready");
        return image(page.screenshot(new Page.ScreenshotOptions()));
    }

    /** The drawing's part of the page, at one pixel a unit. */
    private static BufferedImage rendered(SheetPicture sheet, int width, int height)
            throws IOException, InterruptedException {
        Paper paper = new Paper(Paper.Size.A0, true);
        byte[] pdf = FILES.pdf(List.of(sheet), FileOptions.as(Format.PDF).on(Optional.of(paper)),
                new TitleBlock("t", List.of()), "", (done, all) -> {});
        Path folder = Files.createTempDirectory(Files.createDirectories(Path.of("target/pdf")), "page");
        Files.write(folder.resolve("page.pdf"), pdf);
        Drawing drawing = Drawing.of(sheet.scene(), MEASURE);
        double room = (paper.width() - 20) * POINTS_A_MILLIMETRE;
        double down = (paper.height() - 20) * POINTS_A_MILLIMETRE;
        double scale = Math.min(1.125, Math.min(room / drawing.box().width(), down / drawing.box().height()));
        long left =
                Math.round((paper.width() * POINTS_A_MILLIMETRE - drawing.box().width() * scale) / 2 / scale * FINER);
        long top =
                Math.round((paper.height() * POINTS_A_MILLIMETRE - drawing.box().height() * scale) / 2 / scale * FINER);
        Process process = new ProcessBuilder("pdftoppm", "-png", "-r", Double.toString(72 / scale * FINER), "-x",
                Long.toString(left), "-y", Long.toString(top), "-W", Integer.toString(width * FINER),
                "-H", Integer.toString(height * FINER), "-singlefile", "page.pdf", "page").directory(folder.toFile())
                .redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isZero();
        BufferedImage fine = image(Files.readAllBytes(folder.resolve("page.png")));
        BufferedImage plain = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D on = plain.createGraphics();
        on.drawImage(fine.getScaledInstance(width, height, Image.SCALE_AREA_AVERAGING), 0, 0, null);
        on.dispose();
        return plain;
    }

    /** A page of PDF is white where the sheet has the colour of paper; both count as ground. */
    private static double[][] grey(BufferedImage image) {
        double[][] grey = new double[image.getHeight()][image.getWidth()];
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                int rgb = pixels[y * image.getWidth() + x];
                double level = 0.299 * (rgb >> 16 & 255) + 0.587 * (rgb >> 8 & 255) + 0.114 * (rgb & 255);
                grey[y][x] = level > 246 ? 255 : level;
            }
        }
        double[][] blurred = new double[grey.length][grey[0].length];
        for (int y = 1; y < grey.length - 1; y++) {
            for (int x = 1; x < grey[0].length - 1; x++) {
                double sum = 0;
                for (int dy = -1; dy <= 1; dy++) {
                    for (int dx = -1; dx <= 1; dx++) {
                        sum += grey[y + dy][x + dx];
                    }
                }
                blurred[y][x] = sum / 9;
            }
        }
        return blurred;
    }

    private static void alike(BufferedImage expected, BufferedImage actual, String what) throws IOException {
        assertThat(Math.abs(expected.getHeight() - actual.getHeight())).as(what).isLessThanOrEqualTo(1);
        assertThat(Math.abs(expected.getWidth() - actual.getWidth())).as(what).isLessThanOrEqualTo(1);
        double[] off = off(expected, actual);
        if (off[0] >= OFF || off[1] >= FAR_OFF) {
            Files.createDirectories(Path.of("target/apart"));
            ImageIO.write(expected, "png", Path.of("target/apart", what + " browser.png").toFile());
            ImageIO.write(actual, "png", Path.of("target/apart", what + " file.png").toFile());
        }
        assertThat(off[0]).as("%s: off, in parts of the ink", what).isLessThan(OFF);
        assertThat(off[1]).as("%s: far off", what).isLessThan(FAR_OFF);
    }

    /**
     * How far two pictures are apart, in parts of the ink of the first, and which part of their inked pixels is far
     * off.
     */
    private static double[] off(BufferedImage expected, BufferedImage actual) {
        double[][] one = grey(expected);
        double[][] other = grey(actual);
        double sum = 0;
        double ink = 1;
        double inked = 1;
        double far = 0;
        for (int y = 0; y < Math.min(one.length, other.length); y++) {
            for (int x = 0; x < Math.min(one[0].length, other[0].length); x++) {
                double off = Math.abs(one[y][x] - other[y][x]);
                sum += off;
                ink += 255 - one[y][x];
                inked += one[y][x] < 250 ? 1 : 0;
                far += off > QUARTER ? 1 : 0;
            }
        }
        return new double[] {sum / ink, far / inked};
    }
}
