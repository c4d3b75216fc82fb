package entaxis.exchange.dictionary;

import entaxis.core.dictionary.Dictionary;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * The attributes of a dictionary, and structured types, as CSV (RFC 4180), in UTF-8 with a byte order mark, by which
 * spreadsheets know it.
 */
public final class CsvDictionary {
    private static final String BYTE_ORDER_MARK = "\uFEFF";

    private CsvDictionary() { }

    /** The bytes of the file. */
    public static byte[] write(Dictionary dictionary) {
        StringWriter text = new StringWriter();
        text.write(BYTE_ORDER_MARK);
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            for (List<String> row : AttributeRows.list(dictionary)) {
                csv.printRecord(row.stream().map(HarmlessText::out).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }
}
