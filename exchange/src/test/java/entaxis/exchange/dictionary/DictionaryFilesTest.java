package entaxis.exchange.dictionary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.small.Small;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;

/** Dictionaries as files, friendly and hostile ones. */
class DictionaryFilesTest {
    private static final String FORMULA = "=HYPERLINK(\"x\")";

    private static Dictionary dictionary() {
        Design design = new Small()
                .entity("Jar", "jar_no char(6) primary key -- painted <b>on</b> the lid | really",
                        "filled_on date not null default current_date", "weight numeric(7,2) -- =1+1")
                .entity("Shelf", "shelf_no integer primary key")
                .relate("Shelf", "holds", Cardinality.EXACTLY_ONE, "Jar", "stands on", Cardinality.ZERO_OR_MORE, false)
                .design();
        return Dictionary.of(design, Derivation.of(design));
    }

    @Test
    void theWorkbookHasFrozenHeadsFiltersAndNoFormula() throws IOException {
        try (XSSFWorkbook book = new XSSFWorkbook(
                new ByteArrayInputStream(XlsxDictionary.write(dictionary(), WritingProgress.UNWATCHED)))) {
            List<String> names = new ArrayList<>();
            for (Sheet sheet : book) {
                names.add(sheet.getSheetName());
                assertThat(sheet.getPaneInformation().isFreezePane()).isTrue();
                assertThat(((org.apache.poi.xssf.usermodel.XSSFSheet) sheet).getCTWorksheet().isSetAutoFilter())
                        .isTrue();
                for (Row row : sheet) {
                    for (Cell cell : row) {
                        assertThat(cell.getCellType()).isEqualTo(CellType.STRING);
                    }
                }
            }
            assertThat(names).containsExactly("Entities", "Attributes", "Relationships", "Types");
        }
    }

    /**
     * RFC 4180: quotes doubled, lines ended by CR LF. What a spreadsheet would take for a formula begins with an
     * apostrophe, and comes back without.
     */
    @Test
    void csvHoldsNoFormulas() throws DictionaryTables.Unreadable {
        String text = new String(CsvDictionary.write(dictionary()), StandardCharsets.UTF_8);
        assertThat(text).contains("\r\n").contains("'=1+1").doesNotContain(",=1+1");
        assertThat(HarmlessText.in(HarmlessText.out(FORMULA))).isEqualTo(FORMULA);
        assertThat(HarmlessText.in(HarmlessText.out("'=x"))).isEqualTo("'=x");
        assertThat(DictionaryTables.read("d.csv", text.getBytes(StandardCharsets.UTF_8)).getFirst().rows().toString())
                .contains("=1+1").doesNotContain("'=1+1");
    }

    @Test
    void thePageIsWellFormedLoadsNothingAndEscapesEverything() throws Exception {
        String page = HtmlDictionary.write(dictionary(), List.of(), "revision 1", WritingProgress.UNWATCHED);
        Document document = DocumentBuilderFactory.newDefaultInstance().newDocumentBuilder()
                .parse(new ByteArrayInputStream(page.getBytes(StandardCharsets.UTF_8)));
        assertThat(document.getElementsByTagName("b").getLength()).isEqualTo(2);
        assertThat(page)
                .contains("default-src 'none'", "id=\"jar\"", "id=\"jar.filled_on\"", "painted &lt;b&gt;on&lt;/b&gt;")
                .doesNotContain("http://").doesNotContain("https://");
    }

    @Test
    void theDocumentHasHeadingsAndTables() throws IOException {
        try (XWPFDocument document = new XWPFDocument(new ByteArrayInputStream(
                DocxDictionary.write(dictionary(), List.of(sheet()), "revision 1", WritingProgress.UNWATCHED)))) {
            assertThat(document.getParagraphs().stream().filter(paragraph -> "Heading2".equals(paragraph.getStyle()))
                    .map(paragraph -> paragraph.getText())).containsExactly("Jar", "Shelf");
            assertThat(document.getTables()).hasSize(2);
            assertThat(document.getAllPictures()).singleElement()
                    .satisfies(picture -> assertThat(picture.getData()).isEqualTo(sheet().png()));
            assertThat(document.getTables().getFirst().getRow(1).getCell(6).getText())
                    .isEqualTo("painted <b>on</b> the lid | really");
        }
    }

    private static SheetPng sheet() throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(40, 20, BufferedImage.TYPE_INT_RGB), "png", png);
        return new SheetPng("Sheet 1", png.toByteArray(), 40, 20);
    }

    /** Who watches the writing is told of each entity and can end it at any. */
    @Test
    void theWritingCanBeEnded() throws IOException {
        List<SheetPng> sheets = List.of(sheet());
        Map<String, Consumer<WritingProgress>> writers =
                Map.of("html", progress -> HtmlDictionary.write(dictionary(), List.of(), "1", progress),
                "paper", progress -> HtmlDictionary.forPaper(dictionary(), List.of(), "1", progress),
                        "docx", progress -> DocxDictionary.write(dictionary(), sheets, "1", progress), "xlsx",
                        progress -> XlsxDictionary.write(dictionary(), progress));
        writers.forEach((format, writer) -> assertThatThrownBy(() -> writer.accept((done, all) -> {
            assertThat(all).isGreaterThanOrEqualTo(2);
            if (done == 1) {
                throw new IllegalStateException("ended");
            }
        })).as(format).hasMessage("ended"));
    }

    @Test
    void markdownEscapesWhatItReads() {
        assertThat(MarkdownDictionary.write(dictionary())).contains("### Jar")
                .contains("painted \\<b\\>on\\</b\\> the lid \\| really")
                .contains("- Each jar stands on exactly one shelf.");
    }

    @Test
    void hostileFilesAreRefusedWithAReason() throws Exception {
        byte[] content =
                ("<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY e SYSTEM "
                        + "\"file:///etc/passwd\">]><office:document-content "
                        + "xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\">&e;"
                        + "</office:document-content>")
                .getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> DictionaryTables.read("x.ods", archive(content)))
                .isInstanceOf(DictionaryTables.Unreadable.class).hasMessageNotContaining("root:");
        assertThatThrownBy(() -> DictionaryTables.read("x.ods", archive(new byte[300_000_000])))
                .isInstanceOf(DictionaryTables.Unreadable.class);
        assertThatThrownBy(() -> DictionaryTables.read("x.xlsx", new byte[] {'P', 'K', 3, 4, 9, 9, 9, 9}))
                .isInstanceOf(DictionaryTables.Unreadable.class).hasMessageContaining("no workbook");
        assertThatThrownBy(() -> DictionaryTables.read("x.csv", "a,b\n\"open".getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(DictionaryTables.Unreadable.class).hasMessageContaining("line");
        String million = "entity,attribute\n" + "a,b\n".repeat(1_000_000);
        assertThatThrownBy(() -> DictionaryTables.read("x.csv", million.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(DictionaryTables.Unreadable.class).hasMessageContaining("100000 rows");
    }

    private static byte[] archive(byte[] content) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            byte[] type = "application/vnd.oasis.opendocument.spreadsheet".getBytes(StandardCharsets.US_ASCII);
            ZipEntry first = new ZipEntry("mimetype");
            first.setMethod(ZipEntry.STORED);
            first.setSize(type.length);
            java.util.zip.CRC32 sum = new java.util.zip.CRC32();
            sum.update(type);
            first.setCrc(sum.getValue());
            zip.putNextEntry(first);
            zip.write(type);
            zip.putNextEntry(new ZipEntry("content.xml"));
            zip.write(content);
        }
        return bytes.toByteArray();
    }
}
