package entaxis.drawing.scene;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.Area;
import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.OwnerId;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
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
    private static final double TYPE_GAP = 18;
    /** Room that the hollow dot of an optional attribute takes after the name. */
    static final double DOT = 12;
    /** Room before marks. */
    static final double MARK_GAP = 3;

    private final TextMeasure measure;

    CardMaker(TextMeasure measure) {
        this.measure = measure;
    }

    /** An entity as the concept has it: own attributes only, without types. */
    Card concept(Design design, Entity entity) {
        List<Attribute> key = entity.primaryKey().stream().filter(OwnPart.class::isInstance).map(OwnPart.class::cast)
                .flatMap(part -> entity.attribute(part.attribute()).stream()).toList();
        List<Row> keyRows = new ArrayList<>();
        key.forEach(attribute -> keyRows.add(new Row(attribute.name(), key.size() > 1 ? keyRows.size() + 1 : 0, alternates(entity, attribute), false, "")));
        List<Row> rows = entity.attributes().stream().filter(attribute -> !key.contains(attribute))
                .map(attribute -> new Row(attribute.name(), 0, alternates(entity, attribute), !attribute.required(), "")).toList();
        return card(entity.id(), entity.name(), hue(design, entity), entity.dependent(), keyRows, rows);
    }

    /** A table as it will be created. */
    Card table(Design design, OwnerId owner, Table table, Dialect dialect) {
        List<String> key = table.keyColumns();
        List<Row> keyRows = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        for (Column column : table.columns()) {
            int rank = key.indexOf(column.name()) + 1;
            Row row = new Row(column.name(), key.size() > 1 ? rank : 0, marks(table, column), !column.required(), dialect.type(column.type()));
            (rank > 0 ? keyRows : rows).add(row);
        }
        OptionalInt hue = owner instanceof EntityId id ? hue(design, design.entities().get(id)) : OptionalInt.empty();
        return card(owner, table.name(), hue, keyRows.stream().anyMatch(row -> row.marks().contains("(FK)")), keyRows, rows);
    }

    private static String alternates(Entity entity, Attribute attribute) {
        return entity.alternateKeys().stream().filter(alternate -> alternate.parts().contains(new OwnPart(attribute.id())))
                .map(AlternateKey::number).map(number -> "(AK" + number + ")").collect(Collectors.joining());
    }

    private static String marks(Table table, Column column) {
        StringBuilder marks = new StringBuilder(column.migrated() ? "(FK)" : "");
        int number = 1;
        for (UniqueKey unique : table.uniqueKeys()) {
            marks.append(unique.columns().contains(column.name()) ? "(AK" + number + ")" : "");
            number++;
        }
        return marks.toString();
    }

    private static OptionalInt hue(Design design, Entity entity) {
        return entity.area().flatMap(design.areas()::find).map(Area::hue).map(OptionalInt::of).orElse(OptionalInt.empty());
    }

    private Card card(OwnerId owner, String name, OptionalInt hue, boolean rounded, List<Row> keyRows, List<Row> rows) {
        double width = Math.max(MIN_WIDTH, measure.width(name, TextStyle.NAME) + Card.SPINE + 2 * Card.PAD);
        for (List<Row> band : List.of(keyRows, rows)) {
            for (Row row : band) {
                width = Math.max(width, rowWidth(row));
            }
        }
        double height = Card.HEAD + band(keyRows) + band(rows) + (keyRows.isEmpty() && rows.isEmpty() ? Card.BAND * 2 : 0);
        return new Card(owner, new Box(0, 0, Math.ceil(width), height), name, hue, rounded, List.copyOf(keyRows), rows);
    }

    private static double band(List<Row> rows) {
        return rows.isEmpty() ? 0 : rows.size() * Card.ROW + 2 * Card.BAND;
    }

    private double rowWidth(Row row) {
        return Card.SPINE + 2 * Card.PAD + measure.width(row.name(), TextStyle.ROW)
                + (row.marks().isEmpty() ? 0 : MARK_GAP + measure.width(row.marks(), TextStyle.MARK))
                + (row.optional() ? DOT : 0)
                + (row.type().isEmpty() ? 0 : TYPE_GAP + measure.width(row.type(), TextStyle.TYPE));
    }
}
