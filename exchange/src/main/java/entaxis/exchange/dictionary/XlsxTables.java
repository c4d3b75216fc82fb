package entaxis.exchange.dictionary;

import entaxis.core.dictionary.reading.SheetTable;
import entaxis.exchange.dictionary.DictionaryTables.Unreadable;
import entaxis.exchange.LimitedTexts;
import entaxis.exchange.PlainValues;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.opc.PackageAccess;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;

/**
 * All sheets of an Office Open XML workbook as texts, read row by row so that limits count before the rest is unpacked.
 * Formulas give their stored values.
 */
final class XlsxTables {
    private XlsxTables() { }

    static List<SheetTable> read(byte[] bytes) throws Unreadable {
        try {
            Path file = Files.createTempFile("dictionary", ".xlsx");
            try {
                Files.write(file, bytes);
                return read(file);
            } finally {
                Files.deleteIfExists(file);
            }
        } catch (IOException | OpenXML4JException | SAXException | ParserConfigurationException | RuntimeException e) {
            // the library throws many kinds for broken files
            throw e.getCause() instanceof Unreadable limit ? limit
                    : new Unreadable("this is no workbook that can be read; save it as .xlsx, .ods or CSV");
        }
    }

    private static List<SheetTable> read(Path file)
            throws IOException, OpenXML4JException, SAXException, ParserConfigurationException {
        List<SheetTable> tables = new ArrayList<>();
        try (OPCPackage book = OPCPackage.open(file.toFile(), PackageAccess.READ)) {
            XSSFReader reader = new XSSFReader(book);
            LimitedTexts texts = new LimitedTexts(book);
            XSSFReader.SheetIterator sheets = (XSSFReader.SheetIterator) reader.getSheetsData();
            int before = 0;
            while (sheets.hasNext()) {
                try (InputStream sheet = sheets.next()) {
                    Rows rows = new Rows(before);
                    XMLReader xml = XMLHelper.newXMLReader();
                    xml.setContentHandler(
                            new XSSFSheetXMLHandler(reader.getStylesTable(), texts, rows, new PlainValues(), false));
                    xml.parse(new InputSource(sheet));
                    before += rows.rows.size();
                    tables.add(new SheetTable(sheets.getSheetName(), rows.rows));
                }
            }
        }
        return tables;
    }

    /** Takes rows as they come; rows that are left out are empty. */
    private static final class Rows implements XSSFSheetXMLHandler.SheetContentsHandler {
        private final int before;
        private final List<List<String>> rows = new ArrayList<>();
        private List<String> cells = new ArrayList<>();

        Rows(int before) {
            this.before = before;
        }

        @Override
        public void startRow(int row) {
            cells = new ArrayList<>();
            while (rows.size() < row) {
                keep(List.of());
            }
        }

        @Override
        public void cell(String reference, String value, XSSFComment comment) {
            int column = reference == null ? cells.size() : new CellReference(reference).getCol();
            while (cells.size() <= column) {
                cells.add("");
            }
            cells.set(column, value == null ? "" : value.strip());
        }

        @Override
        public void endRow(int row) {
            keep(cells);
        }

        private void keep(List<String> row) {
            try {
                DictionaryTables.add(rows, row, before + rows.size());
            } catch (Unreadable e) {
                throw new IllegalStateException(e);
            }
        }
    }
}
