package entaxis.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** Workbooks that are small as files and large unpacked: a limit counts before the rest is unpacked. */
class HostileWorkbooksTest {
    private static final long LARGE_SIZE = 300L << 20;

    private interface Part {
        void write(OutputStream out) throws IOException;
    }

    /** A workbook of one sheet in which a part is another one. */
    private static byte[] book(String changed, Part part) throws IOException {
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            book.createSheet("one").createRow(0).createCell(0).setCellValue("a");
            book.write(plain);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (java.util.zip.ZipInputStream in =
                new java.util.zip.ZipInputStream(new java.io.ByteArrayInputStream(plain.toByteArray()));
                ZipOutputStream zip = new ZipOutputStream(out)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                zip.putNextEntry(new ZipEntry(entry.getName()));
                if (entry.getName().equals(changed)) {
                    part.write(zip);
                } else {
                    in.transferTo(zip);
                }
            }
        }
        return out.toByteArray();
    }

    private static void text(OutputStream out, String text) throws IOException {
        out.write(text.getBytes(StandardCharsets.UTF_8));
    }

    private static CsvRows.Result readInLittleMemory(byte[] bytes) {
        com.sun.management.ThreadMXBean threads = (com.sun.management.ThreadMXBean) ManagementFactory.getThreadMXBean();
        long before = threads.getCurrentThreadAllocatedBytes();
        CsvRows.Result result = SpreadsheetRows.read(bytes, 100);
        assertThat(threads.getCurrentThreadAllocatedBytes() - before)
                .as("bytes allocated for %d bytes of file", bytes.length).isLessThan(LARGE_SIZE);
        return result;
    }

    @Test
    void aMillionRowsEndAtTheLimit() throws IOException {
        byte[] bytes = book("xl/worksheets/sheet1.xml", out -> {
            text(out, "<worksheet xmlns='http://schemas.openxmlformats.org/spreadsheetml/2006/main'><sheetData>");
            for (int i = 1; i <= 1_000_000; i++) {
                text(out, "<row r='" + i + "'><c r='A" + i + "' t='inlineStr'><is><t>value" + i + "</t></is></c><c r='B"
                        + i + "'><v>" + i + "</v></c></row>");
            }
            text(out, "</sheetData></worksheet>");
        });
        assertThat(readInLittleMemory(bytes).fault()).get().satisfies(fault -> {
            assertThat(fault.message()).contains("more than 100 rows");
            assertThat(fault.line()).isEqualTo(102);
        });
    }

    @Test
    void textsWithoutEndAreRefused() throws IOException {
        byte[] bytes = book("xl/sharedStrings.xml", out -> {
            text(out, "<sst xmlns='http://schemas.openxmlformats.org/spreadsheetml/2006/main'>");
            java.util.Random random = new java.util.Random(1);
            for (int i = 0; i < 1_500_000; i++) {
                text(out, "<si><t>" + Long.toString(random.nextLong(), 36) + "x".repeat(60) + "</t></si>");
            }
            text(out, "</sst>");
        });
        assertThat(SpreadsheetRows.read(bytes, 100).fault()).get().satisfies(fault -> assertThat(fault.message())
                .containsAnyOf("texts are longer than", "no workbook that can be read"));
    }

    @Test
    void archivesThatSwellAreRefused() throws IOException {
        byte[] bytes = book("xl/worksheets/sheet1.xml", out -> {
            text(out,
                    "<worksheet xmlns='http://schemas.openxmlformats.org/spreadsheetml/2006/main'><sheetData><row "
                            + "r='1'><c r='A1' t='inlineStr'><is><t>");
            byte[] zeros = " ".repeat(1 << 16).getBytes(StandardCharsets.US_ASCII);
            for (int i = 0; i < 6_000; i++) {
                out.write(zeros);
            }
            text(out, "</t></is></c></row></sheetData></worksheet>");
        });
        assertThat(bytes.length).isLessThan(2_000_000);
        assertThat(readInLittleMemory(bytes).fault()).get()
                .satisfies(fault -> assertThat(fault.message()).contains("no workbook that can be read"));
    }

    @Test
    void externalEntitiesAreNotRead() throws IOException {
        byte[] bytes = book("xl/worksheets/sheet1.xml", out -> text(out,
                "<!DOCTYPE x [<!ENTITY e SYSTEM 'file:///etc/passwd'>]><worksheet "
                        + "xmlns='http://schemas.openxmlformats.org/spreadsheetml/2006/main'>"
                        + "<sheetData><row r='1'><c r='A1' t='inlineStr'><is><t>&e;"
                        + "</t></is></c></row></sheetData></worksheet>"));
        assertThat(SpreadsheetRows.read(bytes, 100).toString()).doesNotContain("root:");
    }
}
