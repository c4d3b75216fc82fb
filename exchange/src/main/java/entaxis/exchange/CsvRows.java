package entaxis.exchange;

import entaxis.core.dependency.Rows;
import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Rows from comma-separated text (RFC 4180) with the names of the columns in the first line; semicolons and tabs are
 * understood where the first line has them instead.
 */
public final class CsvRows {
    /** Rows, or what is wrong in which line from 1. */
    public record Result(Rows rows, Optional<Fault> fault) { }

    /** What is wrong, and in which line from 1. */
    public record Fault(long line, String message) { }

    private CsvRows() { }

    /** Reads at most so many rows; more are a fault. */
    public static Result read(String text, int most) {
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        CSVFormat format = CSVFormat.RFC4180.builder().setDelimiter(delimiter(plain)).setIgnoreEmptyLines(true).get();
        List<List<String>> values = new ArrayList<>();
        List<String> columns = new ArrayList<>();
        try (Reader reader = new StringReader(plain); CSVParser parser = CSVParser.parse(reader, format)) {
            for (CSVRecord line : parser) {
                long at = parser.getCurrentLineNumber();
                if (columns.isEmpty()) {
                    Optional<String> fault = names(line, columns);
                    if (fault.isPresent()) {
                        return fault(at, fault.get());
                    }
                } else if (line.size() != columns.size()) {
                    return fault(at, "there are " + line.size() + " values for " + columns.size()
                            + " columns; put a value that holds the separator in quotes");
                } else if (values.size() == most) {
                    return fault(at, "more than " + most + " rows are not read; take a part of them");
                } else {
                    values.add(line.stream().map(String::strip).toList());
                }
            }
        } catch (UncheckedIOException | IOException e) {
            return fault(plain.lines().count(), "a quoted value does not end: " + e.getMessage());
        }
        return columns.isEmpty() ? fault(1, "there is nothing; the first line names the columns")
                : new Result(Rows.of(columns, values), Optional.empty());
    }

    static Result fault(long line, String message) {
        return new Result(Rows.of(List.of(), List.of()), Optional.of(new Fault(Math.max(1, line), message)));
    }

    /** Takes the names of the columns, or says what is wrong with them. */
    static Optional<String> names(Iterable<String> line, List<String> columns) {
        Set<String> seen = new HashSet<>();
        for (String value : line) {
            String name = value.strip();
            if (name.isEmpty()) {
                return Optional.of("column " + (columns.size() + 1) + " has no name; the first line names the columns");
            }
            if (!seen.add(name)) {
                return Optional.of("two columns are called " + name + "; rename one of them");
            }
            columns.add(name);
        }
        return columns.size() > Rows.MAX_COLUMNS
                ? Optional.of("more than " + Rows.MAX_COLUMNS + " columns cannot be looked through; leave some out")
                : Optional.empty();
    }

    private static char delimiter(String text) {
        String first = text.lines().findFirst().orElse("");
        long commas = first.chars().filter(c -> c == ',').count();
        long semicolons = first.chars().filter(c -> c == ';').count();
        long tabs = first.chars().filter(c -> c == '\t').count();
        return tabs > commas && tabs > semicolons ? '\t' : semicolons > commas ? ';' : ',';
    }
}
