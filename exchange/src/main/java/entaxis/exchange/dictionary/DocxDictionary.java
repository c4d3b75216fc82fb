package entaxis.exchange.dictionary;

import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.Dictionary.TypeEntry;
import entaxis.core.dictionary.Dictionary;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigInteger;
import java.util.List;
import org.apache.poi.common.usermodel.PictureType;
import org.apache.poi.openxml4j.exceptions.InvalidFormatException;
import org.apache.poi.util.Units;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFRun;
import org.apache.poi.xwpf.usermodel.XWPFStyle;
import org.apache.poi.xwpf.usermodel.XWPFStyles;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.apache.poi.xwpf.usermodel.XWPFTableRow;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTPageSz;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTSectPr;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.CTStyle;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STPageOrientation;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.STStyleType;

/**
 * A dictionary as an Office Open XML document (ISO/IEC 29500): headings that an outline shows, and tables whose heads
 * are repeated on each page.
 */
public final class DocxDictionary {
    private static final List<String> HEADINGS =
            List.of("Key", "Attribute", "Type", "Value", "Default", "Allowed", "Meaning", "Example");
    private static final BigInteger LONG_SIDE = BigInteger.valueOf(16_838);
    private static final BigInteger SHORT_SIDE = BigInteger.valueOf(11_906);
    private static final int SMALL = 9;

    /** Room for a picture between the margins of the page, in points. */
    private static final double PICTURE_WIDTH = 697;
    private static final double PICTURE_HEIGHT = 400;

    private final XWPFDocument document = new XWPFDocument();
    private int written;

    private DocxDictionary() { }

    /** The bytes of the file. */
    public static byte[] write(Dictionary dictionary, List<SheetPng> sheets, String edition,
            WritingProgress progress) {
        DocxDictionary file = new DocxDictionary();
        file.page();
        file.styles();
        file.paragraph("Title", dictionary.title());
        file.paragraph("", "Data dictionary" + (dictionary.author().isBlank() ? "" : " · " + dictionary.author())
                + " · for " + dictionary.target() + " · " + edition);
        sheets.forEach(file::sheet);
        int all = (int) dictionary.entities().count();
        dictionary.parts().forEach(part -> {
            file.paragraph("Heading1", part.name());
            part.entities().forEach(entity -> {
                progress.at(file.written++, all);
                file.entity(entity);
            });
        });
        if (!dictionary.types().isEmpty()) {
            file.paragraph("Heading1", "Types");
            file.table(TypeEntry.HEADINGS, dictionary.types().stream().map(TypeEntry::cells).toList());
        }
        if (!dictionary.programs().isEmpty()) {
            file.paragraph("Heading1", "Views, routines and sequences");
            dictionary.programs().forEach(program -> {
                file.paragraph("Heading2", program.name() + ", " + program.kind());
                program.text().lines().forEach(line -> file.paragraph("", line));
            });
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (XWPFDocument document = file.document) {
            document.getProperties().getCoreProperties().setTitle(dictionary.title());
            document.getProperties().getCoreProperties()
                    .setCreator(dictionary.author().isBlank() ? "Entaxis" : dictionary.author());
            document.write(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** A4 lying, so that the tables have room. */
    private void page() {
        CTSectPr section = document.getDocument().getBody().addNewSectPr();
        CTPageSz size = section.addNewPgSz();
        size.setW(LONG_SIDE);
        size.setH(SHORT_SIDE);
        size.setOrient(STPageOrientation.LANDSCAPE);
    }

    private void styles() {
        XWPFStyles styles = document.createStyles();
        style(styles, "Title", "Title", 26, -1);
        style(styles, "Heading1", "heading 1", 18, 0);
        style(styles, "Heading2", "heading 2", 14, 1);
    }

    private static void style(XWPFStyles styles, String id, String name, int points, int level) {
        CTStyle style = CTStyle.Factory.newInstance();
        style.setStyleId(id);
        style.addNewName().setVal(name);
        style.setType(STStyleType.PARAGRAPH);
        style.addNewQFormat();
        if (level >= 0) {
            style.addNewPPr().addNewOutlineLvl().setVal(BigInteger.valueOf(level));
            style.getPPr().addNewKeepNext();
        }
        style.addNewRPr().addNewB();
        style.getRPr().addNewSz().setVal(BigInteger.valueOf(2L * points));
        styles.addStyle(new XWPFStyle(style));
    }

    private XWPFParagraph paragraph(String style, String text) {
        XWPFParagraph paragraph = document.createParagraph();
        if (!style.isEmpty()) {
            paragraph.setStyle(style);
        }
        paragraph.createRun().setText(safe(text));
        return paragraph;
    }

    /** A picture as large as fits on the page below its heading. */
    private void sheet(SheetPng sheet) {
        paragraph("Heading1", sheet.name());
        double scale = Math.min(PICTURE_WIDTH / sheet.width(), PICTURE_HEIGHT / sheet.height());
        try {
            document.createParagraph().createRun()
                    .addPicture(new ByteArrayInputStream(sheet.png()), PictureType.PNG, safe(sheet.name()) + ".png",
                            Units.toEMU(sheet.width() * scale), Units.toEMU(sheet.height() * scale))
                    .getCTPicture().getNvPicPr().getCNvPr().setDescr("Diagram: " + safe(sheet.name()));
        } catch (InvalidFormatException | IOException e) {
            throw new IllegalStateException(
                    "The picture of the sheet " + sheet.name() + " cannot be put into the document", e);
        }
    }

    private void entity(EntityEntry entity) {
        paragraph("Heading2", entity.name());
        if (!entity.meaning().isBlank()) {
            paragraph("", entity.meaning()).getRuns().getFirst().setItalic(true);
        }
        if (!entity.attributes().isEmpty()) {
            table(HEADINGS, entity.attributes().stream().map(AttributeEntry::cells).toList());
        }
        entity.readings().forEach(reading -> {
            XWPFParagraph line = paragraph("", "• Each " + reading.subject() + " ");
            XWPFRun verb = line.createRun();
            verb.setBold(true);
            verb.setText(safe(reading.verb()));
            line.createRun().setText(safe(" " + reading.number() + " " + reading.object() + "."
                    + String.join("", reading.assumptions().stream()
                            .map(assumed -> " (" + assumed.number() + ") " + assumed.text()).toList())));
        });
        entity.keys().forEach(key -> paragraph("", "• " + key));
        entity.rules().forEach(rule -> paragraph("", "• condition: " + rule));
        entity.indexes().forEach(index -> paragraph("", "• " + index));
        entity.accepted().forEach(fault -> paragraph("", "• accepted: " + fault));
    }

    private void table(List<String> headings, List<List<String>> rows) {
        XWPFTable table = document.createTable(rows.size() + 1, headings.size());
        table.setWidth("100%");
        XWPFTableRow head = table.getRow(0);
        head.setRepeatHeader(true);
        List<XWPFTableRow> all = table.getRows();
        fill(all.get(0), headings, true);
        for (int i = 0; i < rows.size(); i++) {
            fill(all.get(i + 1), rows.get(i), false);
        }
        paragraph("", "");
    }

    private static void fill(XWPFTableRow row, List<String> values, boolean bold) {
        for (int i = 0; i < values.size(); i++) {
            if (!values.get(i).isEmpty()) {
                XWPFRun run = row.getCell(i).getParagraphs().getFirst().createRun();
                run.setFontSize(SMALL);
                run.setBold(bold);
                run.setText(safe(values.get(i)));
            }
        }
    }

    /** Without what XML forbids. */
    private static String safe(String text) {
        return text.codePoints().filter(
                point -> point >= 0x20 && point != 0xFFFE && point != 0xFFFF && !(point >= 0xD800 && point <= 0xDFFF))
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append).toString();
    }
}
