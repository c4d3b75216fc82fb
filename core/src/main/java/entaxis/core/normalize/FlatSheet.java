package entaxis.core.normalize;

import entaxis.core.change.Change;
import entaxis.core.change.Change.NewAttribute;
import entaxis.core.dependency.Rows;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.Place;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.SheetId;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** A flat sheet with rows becomes an entity to be normalized. */
public final class FlatSheet {
    private static final int[] LENGTHS = {1, 2, 3, 5, 10, 20, 40, 60, 100, 200, 500, 1000, 2000, 4000};

    private FlatSheet() { }

    /**
     * The edit that adds the entity with an attribute for each column, typed after its values, and the rows as sample
     * rows. It has no key yet: that is found out.
     */
    public static Change change(String name, Rows rows, SheetId sheet, Place place, EntityId id, Fresh fresh) {
        List<Change> changes = new ArrayList<>();
        changes.add(new Change.AddEntity(Entity.named(id, name), sheet, place));
        List<NewAttribute> attributes = new ArrayList<>();
        for (int column = 0; column < rows.columns().size(); column++) {
            attributes.add(new NewAttribute(attribute(rows, column, new AttributeId(fresh.id('a'))), false, false));
        }
        changes.add(new Change.AddAttributes(id, attributes));
        for (int row = 0; row < rows.size(); row++) {
            Map<ColumnPath, String> values = new HashMap<>();
            for (int column = 0; column < attributes.size(); column++) {
                if (!rows.value(row, column).isEmpty()) {
                    values.put(ColumnPath.own(attributes.get(column).attribute().id()), rows.value(row, column));
                }
            }
            changes.add(new Change.AddRow(new SampleRow(new RowId(fresh.id('w')), id, values)));
        }
        return new Change.Several(changes);
    }

    /** The name of an entity for that of a file. */
    public static String name(String file) {
        String bare = file.replaceFirst("\\.[^.]*$", "").replaceAll("[_-]+", " ").strip();
        return bare.isEmpty() ? "Flat sheet" : bare.substring(0, 1).toUpperCase(Locale.ROOT) + bare.substring(1);
    }

    private static Attribute attribute(Rows rows, int column, AttributeId id) {
        List<String> values =
                rows.values().stream().map(row -> row.get(column)).filter(value -> !value.isEmpty()).toList();
        boolean whole = values.size() == rows.size() && rows.size() > 0;
        Attribute plain = Attribute.of(id, rows.columns().get(column), type(values));
        return new Attribute(id, plain.name(), plain.type(), whole, plain.defaultValue(), plain.check(),
                plain.identity(), "");
    }

    /**
     * The narrowest usual type that holds all values; digits with a leading zero are a code, not a number (common
     * practice).
     */
    static SqlType type(List<String> values) {
        if (values.isEmpty()) {
            return read("varchar(100)");
        }
        if (values.stream().allMatch(value -> value.matches("-?(0|[1-9]\\d{0,17})"))) {
            boolean wide = values.stream().mapToLong(Long::parseLong).anyMatch(value -> value != (int) value);
            return read(wide ? "bigint" : "integer");
        }
        if (values.stream().allMatch(value -> value.matches("-?(0|[1-9]\\d{0,14})(\\.\\d{1,8})?"))) {
            int scale = values.stream()
                    .mapToInt(value -> value.indexOf('.') < 0 ? 0 : value.length() - value.indexOf('.') - 1).max()
                    .orElse(0);
            int digits = values.stream().mapToInt(value -> value.replaceFirst("\\..*", "").replace("-", "").length())
                    .max().orElse(1);
            return read("numeric(" + (digits + scale) + "," + scale + ")");
        }
        if (values.stream().allMatch(value -> value.matches("\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])"))) {
            return read("date");
        }
        int longest = values.stream().mapToInt(String::length).max().orElse(1);
        for (int length : LENGTHS) {
            if (longest <= length) {
                return read("varchar(" + length + ")");
            }
        }
        return read("text");
    }

    private static SqlType read(String text) {
        return ((TypeReading.Known) TypeReader.read(text)).type();
    }
}
