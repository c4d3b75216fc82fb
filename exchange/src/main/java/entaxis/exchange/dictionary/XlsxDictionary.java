package entaxis.exchange.dictionary;

import entaxis.core.dictionary.Dictionary;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.VerticalAlignment;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;

/**
 * A dictionary as an Office Open XML workbook (ISO/IEC 29500): a sheet each for entities, attributes, relationships and
 * types. All cells are texts, none is a formula.
 */
public final class XlsxDictionary {
    private static final int IN_MEMORY = 200;
    private static final int MAX_CHARACTERS = 32_767;
    private static final int CHARACTER = 256;

    private final SXSSFWorkbook book = new SXSSFWorkbook(IN_MEMORY);
    private final CellStyle head = book.createCellStyle();
    private final CellStyle body = book.createCellStyle();

    private final WritingProgress progress;

    private XlsxDictionary(WritingProgress progress) {
        this.progress = progress;
        Font bold = book.createFont();
        bold.setBold(true);
        head.setFont(bold);
        body.setWrapText(true);
        body.setVerticalAlignment(VerticalAlignment.TOP);
        body.setQuotePrefixed(true);
    }

    /** The bytes of the file. */
    public static byte[] write(Dictionary dictionary, WritingProgress progress) {
        XlsxDictionary file = new XlsxDictionary(progress);
        file.sheet("Entities",
                List.of("Area", "Entity", "Table", "Meaning", "Number of attributes", "Alternate keys", "Conditions",
                        "Indexes"),
                new int[] {18, 24, 24, 50, 11, 30, 40, 40},
                entities(dictionary));
        file.sheet("Attributes", AttributeRows.HEADINGS,
                new int[] {18, 24, 34, 26, 12, 20, 20, 10, 20, 30, 20, 20, 50, 20}, AttributeRows.of(dictionary));
        file.sheet("Relationships", List.of("From", "Verb", "How many", "To", "Sentence", "Assumptions"),
                new int[] {24, 20, 14, 24, 60, 50}, relationships(dictionary));
        file.sheet("Types", List.of("Name", "Kind", "Made of", "Meaning", "Number of attributes"),
                new int[] {24, 14, 50, 50, 11}, dictionary.types().stream()
                        .map(type -> List.of(type.name(), type.kind(), type.definition(), type.meaning(),
                                Integer.toString(type.uses())))
                        .toList());
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (SXSSFWorkbook book = file.book) {
            book.write(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static List<List<String>> entities(Dictionary dictionary) {
        List<List<String>> rows = new ArrayList<>();
        dictionary.parts()
                .forEach(part -> part.entities()
                        .forEach(entity -> rows.add(List.of(part.hue().isPresent() ? part.name() : "", entity.name(),
                                entity.table(), entity.meaning(),
                                Integer.toString(entity.attributes().size()), String.join("; ", entity.keys()),
                                String.join("; ", entity.rules()), String.join("; ", entity.indexes())))));
        return rows;
    }

    private static List<List<String>> relationships(Dictionary dictionary) {
        Set<List<String>> rows = new LinkedHashSet<>();
        dictionary.entities()
                .forEach(entity -> entity.readings()
                        .forEach(reading -> rows.add(List.of(reading.subject(), reading.verb(), reading.number(),
                                reading.object(),
                                reading.sentence(), String.join(" ", reading.assumptions().stream()
                                        .map(assumed -> "(" + assumed.number() + ") " + assumed.text()).toList())))));
        return List.copyOf(rows);
    }

    private void sheet(String name, List<String> headings, int[] widths, List<List<String>> rows) {
        Sheet sheet = book.createSheet(name);
        sheet.createFreezePane(0, 1);
        for (int i = 0; i < widths.length; i++) {
            sheet.setColumnWidth(i, widths[i] * CHARACTER);
        }
        row(sheet, 0, headings, head);
        for (int i = 0; i < rows.size(); i++) {
            progress.at(i, rows.size());
            row(sheet, i + 1, rows.get(i), body);
        }
        sheet.setAutoFilter(new CellRangeAddress(0, Math.max(1, rows.size()), 0, headings.size() - 1));
    }

    private static void row(Sheet sheet, int number, List<String> values, CellStyle style) {
        Row row = sheet.createRow(number);
        for (int i = 0; i < values.size(); i++) {
            if (!values.get(i).isEmpty()) {
                Cell cell = row.createCell(i);
                cell.setCellValue(values.get(i).length() > MAX_CHARACTERS ? values.get(i).substring(0, MAX_CHARACTERS)
                        : values.get(i));
                cell.setCellStyle(style);
            }
        }
    }
}
