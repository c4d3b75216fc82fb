package entaxis.exchange.dictionary;

import entaxis.core.dictionary.reading.SheetTable;
import entaxis.exchange.dictionary.DictionaryTables.Unreadable;
import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/**
 * The sheets of an OpenDocument spreadsheet (ISO/IEC 26300-1, 9): the tables of its content, with repeated rows and
 * cells. Read as a stream, because the libraries for it load a file whole; no document type is accepted, so that no
 * entity can be expanded or fetched.
 */
final class OdsTables {
    private static final String TABLE = "urn:oasis:names:tc:opendocument:xmlns:table:1.0";
    private static final String TEXT = "urn:oasis:names:tc:opendocument:xmlns:text:1.0";
    private static final String OFFICE = "urn:oasis:names:tc:opendocument:xmlns:office:1.0";
    private static final long MAX_UNPACKED = 200L << 20;
    private static final int MAX_REPEATED = 200;

    private final XMLStreamReader xml;
    private final List<SheetTable> tables = new ArrayList<>();
    private int rowsBefore;

    private OdsTables(XMLStreamReader xml) {
        this.xml = xml;
    }

    /** Whether the archive says that it is one: its first entry is its media type (ISO/IEC 26300-3, 3.3). */
    static boolean recognised(byte[] bytes) {
        String head = new String(bytes, 0, Math.min(bytes.length, 120), StandardCharsets.ISO_8859_1);
        return head.contains("mimetypeapplication/vnd.oasis.opendocument.spreadsheet");
    }

    static List<SheetTable> read(byte[] bytes) throws Unreadable {
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().equals("content.xml")) {
                    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
                    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
                    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
                    return new OdsTables(factory.createXMLStreamReader(new Limited(zip))).tables();
                }
            }
            throw new Unreadable("this spreadsheet has no content; save it again");
        } catch (IOException | XMLStreamException e) {
            throw new Unreadable(e.getMessage() != null && e.getMessage().contains(Limited.WORDS)
                    ? Limited.WORDS + "; take a part of it"
                    : "this is no spreadsheet that can be read; save it again as .ods or .xlsx");
        }
    }

    /** Ends the reading of an archive that swells. */
    private static final class Limited extends FilterInputStream {
        private static final String WORDS = "it is larger than 200 MB when unpacked";
        private long read;

        Limited(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            count(1);
            return super.read();
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int count = super.read(into, from, length);
            count(count);
            return count;
        }

        private void count(int bytes) throws IOException {
            read += Math.max(0, bytes);
            if (read > MAX_UNPACKED) {
                throw new IOException(WORDS);
            }
        }
    }

    private List<SheetTable> tables() throws XMLStreamException, Unreadable {
        while (xml.hasNext()) {
            if (xml.next() == XMLStreamConstants.START_ELEMENT && at(TABLE, "table")) {
                table();
            }
        }
        return tables;
    }

    private boolean at(String namespace, String name) {
        return xml.getLocalName().equals(name) && namespace.equals(xml.getNamespaceURI());
    }

    private void table() throws XMLStreamException, Unreadable {
        String name = String.valueOf(xml.getAttributeValue(TABLE, "name"));
        List<List<String>> rows = new ArrayList<>();
        int empty = 0;
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.END_ELEMENT && at(TABLE, "table")) {
                break;
            }
            if (event == XMLStreamConstants.START_ELEMENT && at(TABLE, "table-row")) {
                int repeated = repeated("number-rows-repeated");
                List<String> row = row();
                if (row.isEmpty()) {
                    // a sheet ends in a million empty rows that are not there
                    empty += repeated;
                    continue;
                }
                for (; empty > 0 && rows.size() < DictionaryTables.MAX_ROWS; empty--) {
                    DictionaryTables.add(rows, List.of(), rowsBefore + rows.size());
                }
                for (int i = 0; i < repeated; i++) {
                    DictionaryTables.add(rows, row, rowsBefore + rows.size());
                }
            }
        }
        rowsBefore += rows.size();
        tables.add(new SheetTable(name, rows));
    }

    private int repeated(String attribute) {
        String count = xml.getAttributeValue(TABLE, attribute);
        return count == null || !count.matches("\\d{1,9}") ? 1 : Math.max(1, Integer.parseInt(count));
    }

    /** The cells of a row up to the last one that is filled. */
    private List<String> row() throws XMLStreamException {
        List<String> cells = new ArrayList<>();
        int empty = 0;
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.END_ELEMENT && at(TABLE, "table-row")) {
                break;
            }
            if (event == XMLStreamConstants.START_ELEMENT
                    && (at(TABLE, "table-cell") || at(TABLE, "covered-table-cell"))) {
                int repeated = repeated("number-columns-repeated");
                String text = cell(xml.getLocalName());
                if (text.isEmpty()) {
                    empty += repeated;
                    continue;
                }
                cells.addAll(Collections.nCopies(Math.min(empty, MAX_REPEATED), ""));
                empty = 0;
                cells.addAll(Collections.nCopies(Math.min(repeated, MAX_REPEATED), text));
            }
        }
        return cells;
    }

    /** The paragraphs of a cell, a line each; without the remarks that are pinned to it. */
    private String cell(String element) throws XMLStreamException {
        StringBuilder text = new StringBuilder();
        int paragraphs = 0;
        int remark = 0;
        int inside = 0;
        while (xml.hasNext()) {
            int event = xml.next();
            if (event == XMLStreamConstants.END_ELEMENT && at(TABLE, element)) {
                break;
            }
            if (event == XMLStreamConstants.START_ELEMENT && at(OFFICE, "annotation")) {
                remark++;
            } else if (event == XMLStreamConstants.END_ELEMENT && at(OFFICE, "annotation")) {
                remark--;
            } else if (remark == 0 && event == XMLStreamConstants.START_ELEMENT && at(TEXT, "p")) {
                text.append(paragraphs++ > 0 ? "\n" : "");
                inside++;
            } else if (remark == 0 && event == XMLStreamConstants.END_ELEMENT && at(TEXT, "p")) {
                inside--;
            } else if (remark == 0 && event == XMLStreamConstants.START_ELEMENT && at(TEXT, "s")) {
                text.append(' ');
            } else if (remark == 0 && inside > 0 && event == XMLStreamConstants.CHARACTERS) {
                text.append(xml.getText());
            }
        }
        return text.toString().strip();
    }
}
