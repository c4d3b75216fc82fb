package entaxis.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.opc.PackageAccess;
import org.apache.poi.openxml4j.util.ZipSecureFile;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;

/**
 * Rows from the first sheet of an Office Open XML workbook (ISO/IEC 29500), with the names of the columns in its first
 * filled row. Formulas give their stored values. Rows are read one by one, so that a limit counts before the rest is
 * unpacked; memory is in proportion to the rows that are kept and to the texts of the workbook, which are limited too.
 */
public final class SpreadsheetRows {
    private static final long MAX_UNPACKED = 400L << 20;

    static {
        ZipSecureFile.setMaxEntrySize(MAX_UNPACKED);
    }

    private SpreadsheetRows() { }

    /** Whether bytes begin as a workbook does. */
    public static boolean recognised(byte[] bytes) {
        return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
    }

    /** Reads at most so many rows; more are a fault. Archives that swell beyond measure are refused. */
    public static CsvRows.Result read(byte[] bytes, int most) {
        try {
            // a file, because the library unpacks a stream as a whole before it looks at it
            Path file = Files.createTempFile("workbook", ".xlsx");
            try {
                Files.write(file, bytes);
                return read(file, most);
            } finally {
                Files.deleteIfExists(file);
            }
        } catch (SheetRows.TooMuch e) {
            return CsvRows.fault(e.line(), e.getMessage());
        } catch (IOException | OpenXML4JException | SAXException | ParserConfigurationException | RuntimeException e) {
            // the library throws many kinds for broken files
            return e.getCause() instanceof SheetRows.TooMuch much ? CsvRows.fault(much.line(), much.getMessage())
                    : CsvRows.fault(1, "this is no workbook that can be read; save it as .xlsx or as CSV");
        }
    }

    private static CsvRows.Result read(Path file, int most)
            throws IOException, OpenXML4JException, SAXException, ParserConfigurationException {
        try (OPCPackage book = OPCPackage.open(file.toFile(), PackageAccess.READ)) {
            XSSFReader reader = new XSSFReader(book);
            Iterator<InputStream> sheets = reader.getSheetsData();
            if (!sheets.hasNext()) {
                return CsvRows.fault(1, "the workbook has no sheet");
            }
            SheetRows rows = new SheetRows(most);
            try (InputStream sheet = sheets.next()) {
                XMLReader xml = XMLHelper.newXMLReader();
                xml.setContentHandler(new XSSFSheetXMLHandler(reader.getStylesTable(), new LimitedTexts(book), rows,
                        new PlainValues(), false));
                xml.parse(new InputSource(sheet));
            }
            return rows.result();
        }
    }
}
