package entaxis.exchange;

import java.io.IOException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.xml.sax.SAXException;

/** The texts of a workbook, up to a limit. */
public final class LimitedTexts extends ReadOnlySharedStringsTable {
    private static final long MAX_TEXT = 64L << 20;
    private long read;

    /** Reads the texts of a workbook. */
    public LimitedTexts(OPCPackage book) throws IOException, SAXException {
        super(book);
    }

    @Override
    public void characters(char[] characters, int start, int length) throws SAXException {
        read += length;
        if (read > MAX_TEXT) {
            throw new SheetRows.TooMuch(1, "its texts are longer than " + (MAX_TEXT >> 20)
                    + " million characters together; take a part of it");
        }
        super.characters(characters, start, length);
    }
}
