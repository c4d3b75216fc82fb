package entaxis.exchange;

import entaxis.core.dependency.Rows;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.xml.sax.SAXException;

/** Takes the rows of a sheet as they come, and ends the reading where a limit is met. */
final class SheetRows implements XSSFSheetXMLHandler.SheetContentsHandler {
    private static final int MAX_COLUMNS = 1000;

    /** A limit was met. */
    static final class TooMuch extends SAXException {
        private static final long serialVersionUID = 1;
        private final long line;

        TooMuch(long line, String message) {
            super(message);
            this.line = line;
        }

        /** The row, from 1. */
        long line() {
            return line;
        }
    }

    private final int most;
    private final List<String> columns = new ArrayList<>();
    private final List<List<String>> values = new ArrayList<>();
    private final TreeMap<Integer, String> cells = new TreeMap<>();
    private int first;

    SheetRows(int most) {
        this.most = most;
    }

    @Override
    public void startRow(int row) {
        cells.clear();
    }

    @Override
    public void cell(String reference, String value, XSSFComment comment) {
        int column =
                reference == null ? cells.isEmpty() ? 0 : cells.lastKey() + 1 : new CellReference(reference).getCol();
        cells.put(column, value == null ? "" : value.strip());
    }

    @Override
    public void endRow(int row) {
        long line = row + 1L;
        if (cells.isEmpty()) {
            return;
        }
        if (columns.isEmpty()) {
            first = cells.firstKey();
            if (cells.lastKey() + 1 - first > MAX_COLUMNS) {
                throw new Ended(new TooMuch(line, "more than " + MAX_COLUMNS + " columns are not read"));
            }
            CsvRows.names(row(cells.lastKey() + 1 - first), columns).ifPresent(fault -> {
                throw new Ended(new TooMuch(line, fault));
            });
            return;
        }
        List<String> filled = row(columns.size());
        if (filled.stream().allMatch(String::isEmpty)) {
            return;
        }
        if (values.size() == most) {
            throw new Ended(new TooMuch(line, "more than " + most + " rows are not read; take a part of them"));
        }
        values.add(filled);
    }

    /** Carries a limit out of a method that may not throw one. */
    private static final class Ended extends RuntimeException {
        private static final long serialVersionUID = 1;

        Ended(TooMuch cause) {
            super(cause);
        }
    }

    private List<String> row(int count) {
        List<String> row = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            row.add(cells.getOrDefault(first + i, ""));
        }
        return row;
    }

    /** All of it. */
    CsvRows.Result result() {
        return columns.isEmpty() ? CsvRows.fault(1, "there is nothing; the first row names the columns")
                : new CsvRows.Result(Rows.of(columns, values), Optional.empty());
    }
}
