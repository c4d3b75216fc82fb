package entaxis.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

class SpreadsheetRowsTest {
    private static byte[] book(boolean faulty) throws IOException {
        try (XSSFWorkbook book = new XSSFWorkbook(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            Sheet sheet = book.createSheet("Sowing");
            Row names = sheet.createRow(1);
            List.of("tray", "sown_on", "cells", "share", faulty ? "tray" : "twice").forEach(name -> names
                    .createCell(names.getLastCellNum() < 0 ? 0 : names.getLastCellNum()).setCellValue(name));
            Row row = sheet.createRow(2);
            row.createCell(0).setCellValue(" T-01 ");
            CellStyle day = book.createCellStyle();
            day.setDataFormat(book.createDataFormat().getFormat("dd.mm.yyyy"));
            row.createCell(1).setCellValue(LocalDate.of(2026, 3, 9));
            row.getCell(1).setCellStyle(day);
            row.createCell(2).setCellValue(24);
            row.createCell(3).setCellValue(0.75);
            row.createCell(4).setCellFormula("C3*2");
            book.getCreationHelper().createFormulaEvaluator().evaluateAll();
            sheet.createRow(3);
            sheet.createRow(4).createCell(0).setCellValue("T-02");
            book.write(out);
            return out.toByteArray();
        }
    }

    @Test
    void datesNumbersAndFormulasAsTheirValues() throws IOException {
        assertThat(SpreadsheetRows.recognised(book(false))).isTrue();
        CsvRows.Result result = SpreadsheetRows.read(book(false), 10);
        assertThat(result.fault()).isEmpty();
        assertThat(result.rows().columns()).containsExactly("tray", "sown_on", "cells", "share", "twice");
        assertThat(result.rows().values()).containsExactly(List.of("T-01", "2026-03-09", "24", "0.75", "48"),
                List.of("T-02", "", "", "", ""));
    }

    @Test
    void faultsNameTheRow() throws IOException {
        assertThat(SpreadsheetRows.read(book(true), 10).fault()).get()
                .isEqualTo(new CsvRows.Fault(2, "two columns are called tray; rename one of them"));
        assertThat(SpreadsheetRows.read(book(false), 1).fault()).get()
                .isEqualTo(new CsvRows.Fault(5, "more than 1 rows are not read; take a part of them"));
        assertThat(SpreadsheetRows.read("PK\u0003\u0004 nothing".getBytes(StandardCharsets.ISO_8859_1), 10).fault())
                .get()
                .satisfies(fault -> assertThat(fault.message()).startsWith("this is no workbook that can be read"));
        assertThat(SpreadsheetRows.recognised("a,b".getBytes(StandardCharsets.UTF_8))).isFalse();
    }
}
