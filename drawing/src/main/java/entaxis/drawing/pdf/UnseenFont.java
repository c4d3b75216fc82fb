package entaxis.drawing.pdf;

import entaxis.drawing.text.TextStyle;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontFactory;

/**
 * A font whose codes are those of UTF-16 and whose letters are never drawn: it lies below texts that are drawn as
 * outlines, so that these can be searched and copied too (ISO 32000-1, 9.3.6, text rendering mode 3, and 9.10.3,
 * ToUnicode).
 */
final class UnseenFont {
    /** Width of each letter in thousandths of its size. */
    static final int ADVANCE = 500;
    private static final int CODES = 0x10000;
    private static final String TO_UNICODE = """
            /CIDInit /ProcSet findresource begin
            12 dict begin
            begincmap
            /CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def
            /CMapName /Adobe-Identity-UCS def
            /CMapType 2 def
            1 begincodespacerange
            <0000> <FFFF>
            endcodespacerange
            %s
            endcmap
            CMapName currentdict /CMap defineresource pop
            end
            end
            """;

    private UnseenFont() { }

    static PDFont in(PDDocument document) throws IOException {
        COSDictionary descriptor = dictionary("FontDescriptor");
        descriptor.setName(COSName.FONT_NAME, "Unseen");
        descriptor.setInt(COSName.FLAGS, 4);
        COSArray box = new COSArray();
        for (int corner : new int[] {0, 0, ADVANCE, 1000}) {
            box.add(COSInteger.get(corner));
        }
        descriptor.setItem(COSName.FONT_BBOX, box);
        for (COSName name : new COSName[] {COSName.ASCENT, COSName.CAP_HEIGHT, COSName.STEM_V}) {
            descriptor.setInt(name, 700);
        }
        descriptor.setInt(COSName.ITALIC_ANGLE, 0);
        descriptor.setInt(COSName.DESCENT, -200);
        descriptor.setItem(COSName.FONT_FILE2, stream(document, empty()));
        COSDictionary system = new COSDictionary();
        system.setString(COSName.REGISTRY, "Adobe");
        system.setString(COSName.ORDERING, "Identity");
        system.setInt(COSName.SUPPLEMENT, 0);
        COSDictionary letters = dictionary("Font");
        letters.setName(COSName.SUBTYPE, "CIDFontType2");
        letters.setName(COSName.BASE_FONT, "Unseen");
        letters.setItem(COSName.CIDSYSTEMINFO, system);
        letters.setItem(COSName.FONT_DESC, descriptor);
        letters.setInt(COSName.DW, ADVANCE);
        letters.setItem(COSName.CID_TO_GID_MAP, stream(document, new byte[2 * CODES]));
        COSArray descendants = new COSArray();
        descendants.add(letters);
        COSDictionary font = dictionary("Font");
        font.setName(COSName.SUBTYPE, "Type0");
        font.setName(COSName.BASE_FONT, "Unseen");
        font.setName(COSName.ENCODING, "Identity-H");
        font.setItem(COSName.DESCENDANT_FONTS, descendants);
        font.setItem(COSName.TO_UNICODE,
                stream(document, TO_UNICODE.formatted(ranges()).getBytes(StandardCharsets.US_ASCII)));
        return PDFontFactory.createFont(font);
    }

    /** Each code is its own character; a range may not go beyond one first byte, and at most 100 stand together. */
    private static String ranges() {
        StringBuilder ranges = new StringBuilder();
        for (int high = 0; high < 0x100; high++) {
            if (high % 100 == 0) {
                ranges.append(high == 0 ? "" : "endbfrange\n").append(Math.min(100, 0x100 - high))
                        .append(" beginbfrange\n");
            }
            ranges.append("<%02X00> <%02XFF> <%02X00>%n".formatted(high, high, high));
        }
        return ranges.append("endbfrange").toString();
    }

    private static COSDictionary dictionary(String type) {
        COSDictionary dictionary = new COSDictionary();
        dictionary.setName(COSName.TYPE, type);
        return dictionary;
    }

    private static COSStream stream(PDDocument document, byte[] bytes) throws IOException {
        COSStream stream = document.getDocument().createCOSStream();
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(bytes);
        }
        return stream;
    }

    /** A font file with no letter but the one that stands for all that are missing. */
    private static byte[] empty() throws IOException {
        try (InputStream file = TextStyle.ROW.open();
                TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(file))) {
            TTFSubsetter subsetter = new TTFSubsetter(font);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            subsetter.add(' ');
            subsetter.writeToStream(bytes);
            return bytes.toByteArray();
        }
    }
}
