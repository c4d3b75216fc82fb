package entaxis.exchange.dictionary;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.reading.DictionaryDesign;
import entaxis.core.dictionary.reading.DictionaryReader;
import entaxis.core.dictionary.reading.DictionaryUpdate;
import entaxis.core.dictionary.reading.ReadDictionary;
import entaxis.core.dictionary.reading.SheetTable;
import entaxis.core.random.RandomDesigns;
import entaxis.core.random.Rounds;
import entaxis.core.targets.Target;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

/**
 * Dictionaries of random designs, out and in again: the same entities, attributes, types, keys, meanings and
 * relationships.
 */
class RoundTripTest {
    /** More by -Dentaxis.roundtrips. */
    private static final int DESIGNS = Rounds.of(20);

    private static Design back(List<SheetTable> tables, String what) {
        ReadDictionary read = DictionaryReader.read(tables);
        assertThat(read.missed()).as(what).isEmpty();
        AtomicInteger next = new AtomicInteger();
        DictionaryDesign.Made made = DictionaryDesign.of(read,
                Design.empty(new DesignProperties("x", Target.POSTGRESQL, "x", ""),
                        new Sheet(new SheetId("p1"), "Sheet 1", Paper.DEFAULT, Map.of())),
                kind -> kind + "" + next.incrementAndGet());
        assertThat(made.problems()).as(what).isEmpty();
        return made.design();
    }

    /**
     * What a dictionary says of each entity, apart from what it does not carry: conditions, indexes and the second verb
     * of relationships.
     */
    private static List<String> facts(Design design) {
        List<String> facts = new ArrayList<>();
        Dictionary.of(design, Derivation.of(design)).entities().forEach(entity -> {
            facts.add(entity.name() + ": " + entity.meaning());
            // alternate keys count by their columns: their numbers follow the order in which relationships were drawn
            entity.keys().forEach(key -> facts.add(entity.name() + " AK "
                    + Arrays.stream(key.replaceFirst("^AK\\d+: ", "").split(", ")).sorted().toList()));
            entity.attributes().forEach(attribute -> facts.add(String.join(" | ", entity.name(), attribute.name(),
                    attribute.type(), attribute.keyText().replaceAll("AK\\d+", "AK"), "" + attribute.required(),
                    attribute.source().map(source -> source.entity() + " " + source.verb()).orElse(attribute.meaning()),
                    attribute.defaultValue())));
        });
        facts.sort(null);
        return facts;
    }

    private static Design design(int seed) {
        return RandomDesigns.design(seed, 3 + seed % 12);
    }

    @Test
    void csv() throws DictionaryTables.Unreadable {
        for (int seed = 0; seed < DESIGNS; seed++) {
            Design design = design(seed);
            byte[] file = CsvDictionary.write(Dictionary.of(design, Derivation.of(design)));
            assertThat(facts(back(DictionaryTables.read("dictionary.csv", file), "seed " + seed))).as("seed %d", seed)
                    .isEqualTo(facts(design));
        }
    }

    @Test
    void xlsx() throws DictionaryTables.Unreadable {
        for (int seed = 0; seed < DESIGNS; seed++) {
            Design design = design(seed);
            byte[] file = XlsxDictionary.write(Dictionary.of(design, Derivation.of(design)), WritingProgress.UNWATCHED);
            assertThat(facts(back(DictionaryTables.read("dictionary.xlsx", file), "seed " + seed))).as("seed %d", seed)
                    .isEqualTo(facts(design));
        }
    }

    /** A dictionary that comes back as it went out says nothing otherwise, in either kind of file. */
    @Test
    void nothingIsDifferentInWhatWasOnlySentOut() throws DictionaryTables.Unreadable {
        for (int seed = 0; seed < DESIGNS; seed++) {
            Design design = design(seed);
            Dictionary now = Dictionary.of(design, Derivation.of(design));
            ReadDictionary csv =
                    DictionaryReader.read(DictionaryTables.read("dictionary.csv", CsvDictionary.write(now)));
            assertThat(DictionaryUpdate.of(design, now, csv, kind -> kind + "x")).as("csv, seed %d", seed).isEmpty();
            ReadDictionary xlsx = DictionaryReader.read(
                    DictionaryTables.read("dictionary.xlsx", XlsxDictionary.write(now, WritingProgress.UNWATCHED)));
            assertThat(DictionaryUpdate.of(design, now, xlsx, kind -> kind + "x")).as("xlsx, seed %d", seed).isEmpty();
        }
    }

    @Test
    void ods() throws Exception {
        for (int seed = 0; seed < DESIGNS; seed++) {
            Design design = design(seed);
            List<List<String>> rows = AttributeRows.list(Dictionary.of(design, Derivation.of(design)));
            assertThat(facts(back(DictionaryTables.read("dictionary.ods", ods(rows)), "seed " + seed)))
                    .as("seed %d", seed).isEqualTo(facts(design));
        }
    }

    /** An OpenDocument spreadsheet with one sheet, its empty cells counted as spreadsheets count them. */
    static byte[] ods(List<List<String>> rows) throws IOException {
        StringBuilder xml = new StringBuilder(
                "<?xml version=\"1.0\" encoding=\"UTF-8\"?><office:document-content "
                        + "xmlns:office=\"urn:oasis:names:tc:opendocument:xmlns:office:1.0\" ")
                .append("xmlns:table=\"urn:oasis:names:tc:opendocument:xmlns:table:1.0\" "
                + "xmlns:text=\"urn:oasis:names:tc:opendocument:xmlns:text:1.0\"><office:body><office:spreadsheet>")
                .append("<table:table table:name=\"Dictionary\">");
        for (List<String> row : rows) {
            xml.append("<table:table-row>");
            for (String cell : row) {
                xml.append(cell.isEmpty() ? "<table:table-cell/>"
                        : "<table:table-cell office:value-type=\"string\"><text:p>"
                                + HtmlDictionary.escaped(cell).replace("  ", " <text:s/>")
                                + "</text:p></table:table-cell>");
            }
            xml.append("<table:table-cell table:number-columns-repeated=\"1010\"/></table:table-row>");
        }
        xml.append(
                "<table:table-row table:number-rows-repeated=\"1048000\"><table:table-cell "
                        + "table:number-columns-repeated=\"1024\"/></table:table-row></table:table>"
                        + "</office:spreadsheet></office:body></office:document-content>");
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            byte[] type = "application/vnd.oasis.opendocument.spreadsheet".getBytes(StandardCharsets.US_ASCII);
            ZipEntry first = new ZipEntry("mimetype");
            first.setMethod(ZipEntry.STORED);
            first.setSize(type.length);
            CRC32 sum = new CRC32();
            sum.update(type);
            first.setCrc(sum.getValue());
            zip.putNextEntry(first);
            zip.write(type);
            zip.putNextEntry(new ZipEntry("content.xml"));
            zip.write(xml.toString().getBytes(StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }
}
