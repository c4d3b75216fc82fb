package entaxis.exchange.dictionary;

import entaxis.core.dictionary.reading.SheetTable;
import entaxis.exchange.ScriptText;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * The sheets of a file that holds a dictionary: CSV (RFC 4180), XLSX (ISO/IEC 29500) or ODS (ISO/IEC 26300), told apart
 * by its first bytes.
 */
public final class DictionaryTables {
    /** Rows of all sheets together at most. */
    public static final int MAX_ROWS = 100_000;
    private static final int MAX_COLUMNS = 200;

    private DictionaryTables() { }

    /** A file that cannot be read, with the reason. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1;

        Unreadable(String message) {
            super(message);
        }
    }

    /**
     * The sheets of a file.
     *
     * @param name the file's name, after which the only sheet of a CSV file is called
     * @throws Unreadable if it is none of these, is damaged, or is larger than can be read
     */
    public static List<SheetTable> read(String name, byte[] bytes) throws Unreadable {
        boolean archive = bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K';
        if (!archive) {
            return csv(name.replaceFirst("^.*[/\\\\]", "").replaceFirst("\\.[^.]*$", ""), bytes).withTypesApart();
        }
        List<SheetTable> sheets = OdsTables.recognised(bytes) ? OdsTables.read(bytes) : XlsxTables.read(bytes);
        return sheets.stream().flatMap(sheet -> sheet.withTypesApart().stream()).toList();
    }

    /** Whether a file's name says that it may hold a dictionary. */
    public static boolean mayRead(String name) {
        return name.toLowerCase(Locale.ROOT).matches(".*\\.(csv|tsv|xlsx|ods)");
    }

    private static SheetTable csv(String name, byte[] bytes) throws Unreadable {
        for (int i = 0; i < Math.min(bytes.length, 4000); i++) {
            if (bytes[i] == 0 && (i % 2 == 0 && i > 0 && bytes[i - 1] == 0)) {
                throw new Unreadable("this is no text and no spreadsheet; save it as CSV, XLSX or ODS");
            }
        }
        String text = ScriptText.of(bytes);
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        List<List<String>> rows = new ArrayList<>();
        CSVFormat format = CSVFormat.RFC4180.builder().setDelimiter(delimiter(plain)).setIgnoreEmptyLines(false).get();
        try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
            for (CSVRecord record : parser) {
                add(rows, record.stream().map(String::strip).map(HarmlessText::in).toList(), rows.size());
            }
        } catch (IOException | UncheckedIOException e) {
            throw new Unreadable("line " + (rows.size() + 1)
                    + ": a quoted value is not ended, or something stands behind its closing quote");
        }
        return new SheetTable(name, rows);
    }

    private static char delimiter(String text) {
        String head = text.lines().filter(line -> !line.isBlank()).limit(5).reduce("", (one, other) -> one + other);
        long tabs = head.chars().filter(c -> c == '\t').count();
        long semicolons = head.chars().filter(c -> c == ';').count();
        long commas = head.chars().filter(c -> c == ',').count();
        return tabs > semicolons && tabs > commas ? '\t' : semicolons > commas ? ';' : ',';
    }

    /** Adds a row, unless a limit is met. */
    static void add(List<List<String>> rows, List<String> row, int before) throws Unreadable {
        if (before >= MAX_ROWS) {
            throw new Unreadable("more than " + MAX_ROWS + " rows are not read; take a part of them");
        }
        if (row.size() > MAX_COLUMNS
                && row.subList(MAX_COLUMNS, row.size()).stream().anyMatch(cell -> !cell.isEmpty())) {
            throw new Unreadable("row " + (before + 1) + " has more than " + MAX_COLUMNS + " columns");
        }
        rows.add(row.size() > MAX_COLUMNS ? row.subList(0, MAX_COLUMNS) : row);
    }
}
