package entaxis.exchange;

import entaxis.core.dependency.Rows;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.DateUtil;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

/** Rows from the first sheet of an Office Open XML workbook (ISO/IEC 29500), with the names of the columns in its first filled row. Formulas give their stored values. */
public final class SpreadsheetRows {
    private static final int MOST_COLUMNS = 1000;

    private SpreadsheetRows() { }

    /** Whether bytes begin as a workbook does. */
    public static boolean recognised(byte[] bytes) {
        return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K' && bytes[2] == 3 && bytes[3] == 4;
    }

    /** Reads at most so many rows; more are a fault. Archives that swell beyond measure are refused. */
    public static CsvRows.Result read(byte[] bytes, int most) {
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(bytes))) {
            return book.getNumberOfSheets() == 0 ? CsvRows.fault(1, "the workbook has no sheet") : read(book.getSheetAt(0), most);
        } catch (IOException | RuntimeException e) {
            // the library throws many kinds for broken files
            return CsvRows.fault(1, "this is no workbook that can be read; save it as .xlsx or as CSV");
        }
    }

    private static CsvRows.Result read(Sheet sheet, int most) {
        DataFormatter formatter = new DataFormatter(Locale.ROOT);
        List<String> columns = new ArrayList<>();
        List<List<String>> values = new ArrayList<>();
        int first = 0;
        for (Row row : sheet) {
            long line = row.getRowNum() + 1L;
            if (columns.isEmpty()) {
                first = Math.max(0, row.getFirstCellNum());
                if (row.getLastCellNum() - first > MOST_COLUMNS) {
                    return CsvRows.fault(line, "more than " + MOST_COLUMNS + " columns are not read");
                }
                Optional<String> fault = CsvRows.names(cells(row, first, row.getLastCellNum() - first, formatter), columns);
                if (fault.isPresent()) {
                    return CsvRows.fault(line, fault.get());
                }
                continue;
            }
            List<String> cells = cells(row, first, columns.size(), formatter);
            if (cells.stream().allMatch(String::isEmpty)) {
                continue;
            }
            if (values.size() == most) {
                return CsvRows.fault(line, "more than " + most + " rows are not read; take a part of them");
            }
            values.add(cells);
        }
        return columns.isEmpty() ? CsvRows.fault(1, "there is nothing; the first row names the columns") : new CsvRows.Result(Rows.of(columns, values), Optional.empty());
    }

    private static List<String> cells(Row row, int first, int count, DataFormatter formatter) {
        List<String> cells = new ArrayList<>(Math.max(0, count));
        for (int i = 0; i < count; i++) {
            Cell cell = row.getCell(first + i);
            cells.add(cell == null ? "" : text(cell, formatter).strip());
        }
        return cells;
    }

    private static String text(Cell cell, DataFormatter formatter) {
        CellType type = cell.getCellType() == CellType.FORMULA ? cell.getCachedFormulaResultType() : cell.getCellType();
        if (type == CellType.NUMERIC && DateUtil.isCellDateFormatted(cell)) {
            return cell.getLocalDateTimeCellValue().format(cell.getNumericCellValue() % 1 == 0 ? DateTimeFormatter.ISO_LOCAL_DATE : DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm:ss"));
        }
        return switch (type) {
            case NUMERIC -> java.math.BigDecimal.valueOf(cell.getNumericCellValue()).stripTrailingZeros().toPlainString();
            case STRING -> cell.getRichStringCellValue().getString();
            case BOOLEAN -> String.valueOf(cell.getBooleanCellValue());
            default -> formatter.formatCellValue(cell);
        };
    }
}
