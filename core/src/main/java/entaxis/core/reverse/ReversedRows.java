package entaxis.core.reverse;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.Fresh;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.reading.ReadRow;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * Takes rows that a script put into its tables over as the sample rows of the design that was reversed from it. Linear.
 */
public final class ReversedRows {
    private static final Pattern TEXT = Pattern.compile("(?s)(?:[NnEe])?'((?:[^']|'')*)'");

    private ReversedRows() { }

    /**
     * The design with those rows; values that are not constants are left out, so that the column takes its default.
     *
     * @param schema the tables that the design was made of
     */
    public static Design with(Design design, Schema schema, List<ReadRow> rows, Fresh fresh) {
        Map<String, DerivedTable> derived = new HashMap<>();
        Derivation.of(design).tables().values().forEach(table -> derived.put(small(table.name()), table));
        DesignNames names = DesignNames.of(schema);
        Map<String, DerivedTable> tables = new HashMap<>();
        schema.tables().forEach(table -> Optional.ofNullable(derived.get(small(names.of(table))))
                .ifPresent(made -> tables.put(small(table.label()), made)));
        ReversedPartitions.of(schema, Set.of()).wholes().forEach((part, whole) ->
                Optional.ofNullable(tables.get(small(whole.label())))
                        .ifPresent(made -> tables.put(small(part.label()), made)));
        List<SampleRow> reversed = new ArrayList<>();
        for (ReadRow row : rows) {
            DerivedTable table = tables.get(small(new QualifiedName(row.namespace(), row.table()).label()));
            if (table != null && told(table, row)) {
                reversed.add(new SampleRow(new RowId(fresh.id('w')), table.element(), values(table, row)));
            }
        }
        return reversed.isEmpty() ? design : design.withRows(Elements.of(reversed));
    }

    private static String small(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    /**
     * Whether each required column without a default gets a constant: what an expression gives is not known here, and a
     * row without it would be wrong.
     */
    private static boolean told(DerivedTable table, ReadRow row) {
        for (int i = 0; i < row.columns().size(); i++) {
            String name = row.columns().get(i);
            boolean needed = table.table().columns().stream().anyMatch(column -> column.name().equalsIgnoreCase(name)
                    && column.required() && column.defaultValue().isEmpty());
            if (needed && constant(row.values().get(i)).isEmpty()) {
                return false;
            }
        }
        return true;
    }

    private static Map<ColumnPath, String> values(DerivedTable table, ReadRow row) {
        Map<ColumnPath, String> values = new HashMap<>();
        for (int i = 0; i < row.columns().size(); i++) {
            String name = row.columns().get(i);
            Optional<ColumnPath> path = table.columns().stream().filter(column -> column.name().equalsIgnoreCase(name))
                    .findFirst().map(DerivedColumn::path);
            Optional<String> value = constant(row.values().get(i));
            if (path.isPresent() && value.isPresent()) {
                values.put(path.get(), value.get());
            }
        }
        return values;
    }

    /** A constant as it is typed into a row: a text without its quotes, an empty one as two quotes. */
    private static Optional<String> constant(String sql) {
        var text = TEXT.matcher(sql);
        if (text.matches()) {
            String inside = text.group(1).replace("''", "'");
            return Optional.of(inside.isEmpty() ? "''" : inside);
        }
        if (sql.length() > 1 && sql.startsWith("\"") && sql.endsWith("\"")) {
            // no column can be named in VALUES: it is a text, as MySQL lets it be written
            return Optional.of(sql.substring(1, sql.length() - 1).replace("\"\"", "\""));
        }
        boolean plain = sql.equalsIgnoreCase("null") || sql.equalsIgnoreCase("true") || sql.equalsIgnoreCase("false")
                || sql.matches("[+-]?[0-9.]+([eE][+-]?[0-9]+)?");
        return plain ? Optional.of(sql.toLowerCase(Locale.ROOT)) : Optional.empty();
    }
}
