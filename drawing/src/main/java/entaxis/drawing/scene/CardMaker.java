package entaxis.drawing.scene;

import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Area;
import entaxis.core.design.Attribute;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.SheetView;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import entaxis.core.sql.Dialect;
import entaxis.drawing.geometry.Box;
import entaxis.drawing.scene.Card.Row;
import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Collectors;

/** Makes cards as large as their texts need. */
final class CardMaker {
    private static final double MIN_WIDTH = 130;
    static final double TYPE_GAP = 18;
    private static final int MAX_COMMENT = 44;
    private static final double MEANING_WIDTH = 210;
    private static final int MAX_MEANING = 3;
    /** Room that the hollow dot of an optional attribute takes after the name. */
    static final double DOT = 12;
    /** Room before marks. */
    static final double MARK_GAP = 3;

    private final TextMeasure measure;

    CardMaker(TextMeasure measure) {
        this.measure = measure;
    }

    /**
     * An entity as the concept has it: own attributes only, key attributes with their rank among all key columns of its
     * table.
     */
    Card concept(Design design, Entity entity, DerivedTable table, SheetView view) {
        List<Attribute> key = entity.primaryKey().stream().filter(OwnPart.class::isInstance).map(OwnPart.class::cast)
                .flatMap(part -> entity.attribute(part.attribute()).stream()).toList();
        boolean typed = view.types() == SheetView.Types.ALWAYS;
        List<Row> keyRows = new ArrayList<>();
        key.forEach(attribute -> keyRows
                .add(new Row(attribute.name(), rank(table, attribute), alternates(entity, attribute), false,
                typed ? design.text(attribute.type()) : "", comment(view, attribute.meaning()))));
        List<Row> rows = entity.attributes().stream().filter(attribute -> !key.contains(attribute))
                .map(attribute -> new Row(attribute.name(), 0, alternates(entity, attribute),
                        !attribute.required(), typed ? design.text(attribute.type()) : "",
                        comment(view, attribute.meaning())))
                .toList();
        return card(entity.id(), entity.name(), hue(design, entity), entity.dependent(), shownKey(view, keyRows),
                shown(view, rows),
                view.comments() ? wrapped(entity.meaning()) : List.of(), List.of());
    }

    private static int rank(DerivedTable table, Attribute attribute) {
        List<String> key = table.table().keyColumns();
        return key.size() < 2 ? 0 : table.column(ColumnPath.own(attribute.id()))
                .map(column -> key.indexOf(column.name()) + 1).orElse(0);
    }

    /** A table as it will be created. */
    Card table(Design design, DerivedTable derived, Dialect dialect, SheetView view) {
        OwnerId owner = derived.element();
        Table table = derived.table();
        List<String> key = table.keyColumns();
        List<Row> keyRows = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        for (DerivedColumn made : derived.columns()) {
            Column column = made.column();
            int rank = key.indexOf(column.name()) + 1;
            Row row = new Row(column.name(), key.size() > 1 ? rank : 0, marks(table, made), !column.required(),
                    view.types() == SheetView.Types.NEVER ? "" : dialect.type(column.type()),
                    comment(view, column.comment()));
            (rank > 0 ? keyRows : rows).add(row);
        }
        OptionalInt hue = owner instanceof EntityId id ? hue(design, design.entities().get(id)) : OptionalInt.empty();
        List<String> indexes = view.indexes() && view.detail() == SheetView.Detail.ALL
                ? table.indexes().stream().map(CardMaker::text).toList() : List.of();
        return card(owner, table.name(), hue, keyRows.stream().anyMatch(row -> row.marks().contains("(FK)")),
                shownKey(view, keyRows), shown(view, rows),
                view.comments() ? wrapped(table.comment()) : List.of(), indexes);
    }

    private static List<Row> shownKey(SheetView view, List<Row> rows) {
        return view.detail() == SheetView.Detail.NAMES ? List.of() : rows;
    }

    private static List<Row> shown(SheetView view, List<Row> rows) {
        return switch (view.detail()) {
            case NAMES -> List.of();
            case KEYS -> rows.stream().filter(row -> !row.marks().isEmpty()).toList();
            case ALL -> rows;
        };
    }

    private static String comment(SheetView view, String meaning) {
        return !view.comments() ? ""
                : meaning.length() > MAX_COMMENT ? meaning.substring(0, MAX_COMMENT - 1).strip() + "…" : meaning;
    }

    private static String text(TableIndex index) {
        return (index.unique() ? "unique " : "") + "index ("
                + index.columns().stream().map(column -> column.name() + (column.descending() ? " desc" : ""))
                .collect(Collectors.joining(", ")) + ")";
    }

    private List<String> wrapped(String meaning) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : meaning.isBlank() ? new String[0] : meaning.strip().split("\\s+")) {
            if (!line.isEmpty() && measure.width(line + " " + word, TextStyle.MARK) > MEANING_WIDTH) {
                lines.add(line.toString());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        if (!line.isEmpty()) {
            lines.add(line.toString());
        }
        return lines.size() <= MAX_MEANING ? lines : List.of(lines.get(0), lines.get(1), lines.get(2) + " …");
    }

    private static String alternates(Entity entity, Attribute attribute) {
        return entity.alternateKeys().stream()
                .filter(alternate -> alternate.parts().contains(new OwnPart(attribute.id())))
                .map(AlternateKey::number).map(number -> "(AK" + number + ")").collect(Collectors.joining());
    }

    private static String marks(Table table, DerivedColumn column) {
        StringBuilder marks = new StringBuilder(column.migrated() ? "(FK)" : "");
        int number = 1;
        for (UniqueKey unique : table.uniqueKeys()) {
            marks.append(unique.columns().contains(column.name()) ? "(AK" + number + ")" : "");
            number++;
        }
        return marks.toString();
    }

    private static OptionalInt hue(Design design, Entity entity) {
        return entity.area().flatMap(design.areas()::find).map(Area::hue).map(OptionalInt::of)
                .orElse(OptionalInt.empty());
    }

    private Card card(OwnerId owner, String name, OptionalInt hue, boolean rounded, List<Row> keyRows, List<Row> rows,
            List<String> meaning, List<String> indexes) {
        double room = Card.SPINE + 2 * Card.PAD;
        double width = Math.max(MIN_WIDTH, measure.width(name, TextStyle.NAME) + room);
        for (List<Row> band : List.of(keyRows, rows)) {
            for (Row row : band) {
                width = Math.max(width, rowWidth(row));
            }
        }
        for (List<String> texts : List.of(meaning, indexes)) {
            for (String text : texts) {
                width = Math.max(width, measure.width(text, TextStyle.MARK) + room);
            }
        }
        Card bare = new Card(owner, new Box(0, 0, Math.ceil(width), 0), name, hue, rounded, List.copyOf(keyRows), rows,
                meaning, indexes, false);
        double height =
                bare.head() + band(keyRows) + band(rows) + (keyRows.isEmpty() && rows.isEmpty() ? Card.BAND * 2 : 0)
                + (indexes.isEmpty() ? 0 : indexes.size() * Card.NOTE_ROW + 2 * Card.BAND);
        return new Card(owner, new Box(0, 0, Math.ceil(width), height), name, hue, rounded, List.copyOf(keyRows), rows,
                meaning, indexes, false);
    }

    private static double band(List<Row> rows) {
        return rows.isEmpty() ? 0 : rows.size() * Card.ROW + 2 * Card.BAND;
    }

    private double rowWidth(Row row) {
        return Card.SPINE + 2 * Card.PAD + measure.width(row.name(), TextStyle.ROW)
                + (row.marks().isEmpty() ? 0 : MARK_GAP + measure.width(row.marks(), TextStyle.MARK))
                + (row.optional() ? DOT : 0)
                + (row.type().isEmpty() ? 0 : TYPE_GAP + measure.width(row.type(), TextStyle.TYPE))
                + (row.comment().isEmpty() ? 0 : TYPE_GAP + measure.width(row.comment(), TextStyle.MARK));
    }
}
