package entaxis.drawing.file;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.Paper;
import entaxis.core.random.RandomDesigns;
import entaxis.core.small.Small;
import entaxis.drawing.layout.FirstSheet;
import entaxis.drawing.paint.PictureSource;
import entaxis.drawing.pdf.TitleBlock;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.text.TextMeasure;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipInputStream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

class SheetFilesTest {
    private static final TextMeasure MEASURE = new TextMeasure();
    private static final SheetFiles FILES = new SheetFiles(MEASURE, PictureSource.NONE);
    private static final TitleBlock TITLE = new TitleBlock("Ledger of seed",
            List.of(new TitleBlock.Fact("Date", "2026-11-29"), new TitleBlock.Fact("Revision", "42")));

    private static SheetPicture picture(Design design, Lens lens) {
        return SheetPictures.of(design, Derivation.of(design), design.sheet(), lens, Optional.empty(), Set.of(),
                MEASURE);
    }

    private static Design arranged(int seed, int entities) {
        return FirstSheet.arranged(RandomDesigns.design(seed, entities), MEASURE);
    }

    private static PDDocument pdf(SheetPicture picture, FileOptions options) throws IOException {
        return Loader.loadPDF(FILES.pdf(List.of(picture), options, TITLE, "The office", (done, all) -> { }));
    }

    private static List<PDFont> fonts(PDResources resources) throws IOException {
        List<PDFont> fonts = new ArrayList<>();
        for (COSName name : resources.getFontNames()) {
            fonts.add(resources.getFont(name));
        }
        for (COSName name : resources.getXObjectNames()) {
            if (resources.getXObject(name) instanceof PDFormXObject form && form.getResources() != null) {
                fonts.addAll(fonts(form.getResources()));
            }
        }
        return fonts;
    }

    @Test
    void everyNameCanBeSearchedAndItsFontIsEmbedded() throws IOException {
        SheetPicture picture = picture(arranged(3, 20), Lens.TABLES);
        try (PDDocument document = pdf(picture, FileOptions.as(Format.PDF).titled(true))) {
            String text = new PDFTextStripper().getText(document);
            for (Card card : picture.scene().cards()) {
                assertThat(text).contains(card.name());
                card.rows().forEach(row -> assertThat(text).contains(row.name()).contains(row.type()));
            }
            assertThat(text).contains("Ledger of seed", "42", "1 of 1");
            List<PDFont> fonts = fonts(document.getPage(0).getResources());
            assertThat(fonts).isNotEmpty().allSatisfy(font -> {
                assertThat(font.isEmbedded()).as(font.getName()).isTrue();
                assertThat(font.getName()).matches("[A-Z]{6}\\+Source.*|Unseen");
            });
            assertThat(document.getDocumentInformation().getTitle()).isEqualTo("Ledger of seed");
            assertThat(document.getDocumentInformation().getAuthor()).isEqualTo("The office");
            assertThat(document.getDocumentCatalog().getDocumentOutline().getFirstChild().getTitle())
                    .isEqualTo(picture.name());
        }
    }

    /** Letters that the font would join stay letters of their own. */
    @Test
    void joinedLettersStaySearchable() throws IOException {
        Design design =
                new Small().entity("Aft office", "left_on date primary key", "final_fit text", "baffled text").design();
        try (PDDocument document = pdf(picture(design, Lens.CONCEPT), FileOptions.as(Format.PDF))) {
            assertThat(new PDFTextStripper().getText(document)).contains("Aft office", "left_on", "final_fit",
                    "baffled");
        }
    }

    /** ISO 216 and the trade's letter and legal sizes, in points of 1/72 inch. */
    @Test
    void paperIsAsLargeAsItsStandardSays() throws IOException {
        SheetPicture picture = picture(arranged(1, 4), Lens.CONCEPT);
        Map<Paper,
                float[]> sizes = Map.of(new Paper(Paper.Size.A4, false), new float[] {595.28f, 841.89f},
                        new Paper(Paper.Size.A0, true), new float[] {3370.4f, 2383.9f},
                        new Paper(Paper.Size.LETTER, false), new float[] {612, 792}, new Paper(Paper.Size.LEGAL, true),
                        new float[] {1008, 612});
        for (Map.Entry<Paper, float[]> entry : sizes.entrySet()) {
            try (PDDocument document = pdf(picture, FileOptions.as(Format.PDF).on(Optional.of(entry.getKey())))) {
                PDRectangle box = document.getPage(0).getMediaBox();
                assertThat(box.getWidth()).isCloseTo(entry.getValue()[0], org.assertj.core.data.Offset.offset(0.1f));
                assertThat(box.getHeight()).isCloseTo(entry.getValue()[1], org.assertj.core.data.Offset.offset(0.1f));
            }
        }
    }

    /** Every name stands on one of the pages, in true size, and the drawing is in the file once. */
    @Test
    void inTrueSizeItGoesOverSeveralPages() throws IOException {
        SheetPicture picture = picture(arranged(5, 40), Lens.TABLES);
        FileOptions options =
                FileOptions.as(Format.PDF).tiled(true).titled(true).on(Optional.of(new Paper(Paper.Size.A4, true)));
        byte[] bytes = FILES.pdf(List.of(picture), options, TITLE, "", (done, all) -> { });
        try (PDDocument document = Loader.loadPDF(bytes)) {
            int pages = document.getNumberOfPages();
            assertThat(pages).isGreaterThan(4);
            String text = new PDFTextStripper().getText(document);
            picture.scene().cards().forEach(card -> assertThat(text).contains(card.name()));
            assertThat(text).contains("1 of " + pages, pages + " of " + pages);
            Set<Object> drawings = new java.util.HashSet<>();
            for (PDPage page : document.getPages()) {
                PDResources resources = page.getResources();
                drawings.add(resources.getXObject(resources.getXObjectNames().iterator().next()).getCOSObject());
            }
            assertThat(drawings).hasSize(1);
        }
    }

    @Test
    void theWritingCanBeStopped() {
        SheetPicture picture = picture(arranged(5, 40), Lens.TABLES);
        assertThatThrownBy(
                () -> FILES.pdf(List.of(picture), FileOptions.as(Format.PDF).tiled(true), TITLE, "", (done, all) -> {
            if (done == 2) {
                throw new IllegalStateException("enough");
            }
        })).hasMessage("enough");
    }

    @Test
    void picturesAreAsLargeAsAskedForAndTransparentOnDemand() throws IOException {
        SheetPicture picture = picture(arranged(2, 5), Lens.CONCEPT);
        FileOptions png = FileOptions.as(Format.PNG);
        BufferedImage once = image(FILES.picture(picture, png));
        BufferedImage thrice = image(FILES.picture(picture, png.scaled(3)));
        assertThat(thrice.getWidth()).isBetween(once.getWidth() * 3 - 3, once.getWidth() * 3);
        assertThat(once.getRGB(0, 0)).isEqualTo(0xFFFBF9F4);
        BufferedImage clear = image(
                FILES.picture(picture, new FileOptions(Format.PNG, 1, true, false, false, false, Optional.empty())));
        assertThat(clear.getRGB(0, 0) >>> 24).isZero();
        BufferedImage legend = image(
                FILES.picture(picture, new FileOptions(Format.JPEG, 1, false, true, false, false, Optional.empty())));
        assertThat(legend.getHeight()).isGreaterThan(once.getHeight() + 40);
    }

    @Test
    void aSelectionShowsItsCardsAndWhatJoinsThem() {
        Design design = new Small().entity("Site", "site_code char(4) primary key")
                .entity("Visit", "visit_no integer primary key").entity("Permit", "permit_no integer primary key")
                .relate("Site", "gets", entaxis.core.design.Cardinality.EXACTLY_ONE, "Visit", "is at",
                        entaxis.core.design.Cardinality.ZERO_OR_MORE, false)
                .relate("Permit", "covers", entaxis.core.design.Cardinality.EXACTLY_ONE, "Visit", "needs",
                        entaxis.core.design.Cardinality.ZERO_OR_MORE, false)
                .design();
        Set<String> some = Set.of(id(design, "Site"), id(design, "Visit"));
        SheetPicture picture = SheetPictures.of(design, Derivation.of(design), design.sheet(), Lens.CONCEPT,
                Optional.empty(), some, MEASURE);
        assertThat(picture.scene().cards()).extracting(Card::name).containsExactlyInAnyOrder("Site", "Visit");
        assertThat(picture.scene().lines()).hasSize(1);
    }

    private static String id(Design design, String name) {
        return design.entities().stream().filter(entity -> entity.name().equals(name)).findFirst().orElseThrow().id()
                .value();
    }

    /** No text leaves its card, whatever its letters; the machine may have no font for them. */
    @Test
    void foreignLettersStayInTheirBoxes() throws IOException {
        Design design = new Small().entity("種子の保管庫と発芽試験", "名前 text primary key", "\"مستودع البذور\" text",
                "\"a" + "long".repeat(29) + "\" text").design();
        SheetPicture picture = picture(design, Lens.CONCEPT);
        BufferedImage image = image(FILES.picture(picture, FileOptions.as(Format.PNG)));
        int ground = 0xFFFBF9F4;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x : new int[] {5, 15, image.getWidth() - 20, image.getWidth() - 5}) {
                assertThat(image.getRGB(x, y)).as("%d, %d", x, y).isEqualTo(ground);
            }
        }
        String svg = new String(FILES.picture(picture, FileOptions.as(Format.SVG)), StandardCharsets.UTF_8);
        assertThat(svg).contains("種子の保管庫と発芽試験", "مستودع البذور", "@font-face").doesNotContain("class=\"grip\"");
    }

    @Test
    void anArchiveHasEachSheetUnderANameOfItsOwn() throws IOException {
        SheetPicture picture = picture(arranged(2, 3), Lens.CONCEPT);
        SheetPicture odd = new SheetPicture("../" + picture.name(), picture.scene(), picture.paper(), List.of());
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(
                FILES.archive(List.of(picture, picture, odd), FileOptions.as(Format.SVG), (done, all) -> {})))) {
            for (java.util.zip.ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names).containsExactly("Sheet 1.svg", "Sheet 1 2.svg", "Sheet 1 3.svg");
    }

    private static BufferedImage image(byte[] bytes) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(bytes));
    }
}
