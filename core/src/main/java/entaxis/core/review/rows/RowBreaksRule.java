package entaxis.core.review.rows;

import entaxis.core.change.Change;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Enumeration;
import entaxis.core.design.Relationship;
import entaxis.core.design.SampleRow;
import entaxis.core.expression.SqlValue;
import entaxis.core.expression.Truth;
import entaxis.core.review.About;
import entaxis.core.review.Basis;
import entaxis.core.review.ColumnConditions;
import entaxis.core.review.EntityRule;
import entaxis.core.review.Family;
import entaxis.core.review.Finding;
import entaxis.core.review.Level;
import entaxis.core.review.SuggestedChange;
import entaxis.core.review.Reviewed;
import entaxis.core.review.RuleInfo;
import entaxis.core.review.Values;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Identity;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/** A sample row that the table would not take: required, type, length, enumeration, key or reference. */
public final class RowBreaksRule implements EntityRule {
    private static final RuleInfo INFO =
            new RuleInfo("row-breaks-rule", Family.ROWS, Level.FAULT, Basis.MANUAL, "row that breaks a rule",
            "An engine refuses such a row; either the row is wrong or the rule is.",
            "ISO/IEC 9075-2, 4.18 (integrity constraints)");
    private static final int MAX_COUNT = 500;

    @Override
    public RuleInfo info() {
        return INFO;
    }

    @Override
    public void judge(Entity entity, Reviewed of, Consumer<Finding> found) {
        List<SampleRow> rows = of.rows(entity.id());
        if (rows.isEmpty()) {
            return;
        }
        DerivedTable table = of.derived(entity.id());
        for (int i = 0; i < rows.size() && i < MAX_COUNT; i++) {
            for (DerivedColumn column : table.columns()) {
                int number = i + 1;
                SampleRow row = rows.get(i);
                missing(column, row).map(why -> filledIn(of, column) ? finding(of, entity, row, number, column.name(),
                        why + ", so that the engine takes the first of the list")
                        .at(Level.CAUTION) : finding(of, entity, row, number, column.name(), why)).ifPresent(found);
                Values.unfitCell(of, column, column.typed(row))
                        .ifPresent(why -> found.accept(finding(of, entity, row, number, column.name(), why)
                        .at(Values.misfit(of, Values.type(of, column)))));
            }
        }
        boolean conditioned = !table.table().checks().isEmpty()
                || entity.attributes().stream().anyMatch(own -> of.design().definition(own.type()).isPresent());
        for (int i = 0; i < rows.size() && i < MAX_COUNT && conditioned; i++) {
            conditions(of, entity, table, rows.get(i), i + 1, found);
        }
        List<List<String>> keys =
                new ArrayList<>(table.table().primaryKey().map(key -> List.of(key.columns())).orElse(List.of()));
        table.table().uniqueKeys().forEach(key -> keys.add(key.columns()));
        keys.forEach(key -> twice(of, entity, table, key, rows, found));
        table.table().foreignKeys().forEach(key -> orphans(of, entity, table, key, rows, found));
    }

    /** Each condition of the table that the values of a row make false. */
    private static void conditions(Reviewed of, Entity entity, DerivedTable table, SampleRow row, int number,
            Consumer<Finding> found) {
        Map<String, SqlValue> values = new HashMap<>();
        for (DerivedColumn column : table.columns()) {
            ofDomain(of, column, column.typed(row))
                    .ifPresent(check -> found.accept(finding(of, entity, row, number, column.name(),
                    "the condition " + check + " of its type is false")));
            String typed = column.typed(row);
            boolean made = typed.isEmpty() && made(column.column());
            values.put(column.name().toLowerCase(Locale.ROOT), made || typed.equals("''") ? SqlValue.UNCLEAR
                    : plain(typed).isEmpty() ? SqlValue.MISSING : Values.typed(of, Values.type(of, column), typed));
        }
        for (CheckRule check : table.table().checks()) {
            of.condition(check.condition().text())
                    .filter(one -> one.truth(name -> values.getOrDefault(name, SqlValue.UNCLEAR)) == Truth.FALSE)
                    .ifPresent(one -> found.accept(finding(of, entity, row, number,
                            one.names().stream().sorted().collect(Collectors.joining(", ")),
                            "the condition " + check.condition() + " is false")));
        }
    }

    /** Whether the engine puts in a value of its own where none is given. */
    private static boolean filledIn(Reviewed of, DerivedColumn column) {
        SqlType type = Values.type(of, column);
        return of.dialect().enumerationsBeginWithFirst() && (type instanceof EnumType
                || of.design().definition(type).filter(Enumeration.class::isInstance).isPresent());
    }

    /** The condition of a column's domain that its value makes false. */
    private static Optional<String> ofDomain(Reviewed of, DerivedColumn column, String typed) {
        SqlType type = Values.type(of, column);
        return typed.isEmpty() || typed.equalsIgnoreCase("null") || typed.equals("''") ? Optional.empty()
                : ColumnConditions.brokenOfDomain(of, type, Values.typed(of, type, typed));
    }

    private static boolean made(Column column) {
        return column.defaultValue().isPresent() || column.identity() != Identity.NONE
                || column.generated().isPresent();
    }

    private static String of(DerivedTable table, SampleRow row, String column) {
        return table.column(column).map(own -> plain(own.typed(row))).orElse("");
    }

    /** A value as it is typed: {@code null} for none, {@code ''} for an empty text. */
    private static String plain(String typed) {
        return typed.strip().equalsIgnoreCase("null") ? "" : typed.strip();
    }

    private static Optional<String> missing(DerivedColumn column, SampleRow row) {
        String typed = column.typed(row);
        boolean empty = typed.equalsIgnoreCase("null") || typed.isEmpty();
        return empty && column.column().required() && !(made(column.column()) && typed.isEmpty())
                ? Optional.of("it is required and has no value") : Optional.empty();
    }

    private static void twice(Reviewed of, Entity entity, DerivedTable table, List<String> key, List<SampleRow> rows,
            Consumer<Finding> found) {
        Map<List<String>, Integer> seen = new HashMap<>();
        for (int i = 0; i < rows.size(); i++) {
            SampleRow row = rows.get(i);
            List<String> values = key.stream().map(column -> of(table, row, column)).toList();
            Integer before = values.contains("") ? null : seen.putIfAbsent(values, i + 1);
            if (before != null) {
                found.accept(finding(of, entity, row, i + 1, String.join(", ", key),
                        "row " + before + " has the same key " + String.join(", ", values)));
            }
        }
    }

    private static void orphans(Reviewed of, Entity entity, DerivedTable table, ForeignKey key, List<SampleRow> rows,
            Consumer<Finding> found) {
        Optional<EntityId> parent =
                of.reference(entity.id(), key).flatMap(Relationship::parentEntity);
        if (parent.isEmpty()) {
            return;
        }
        DerivedTable referenced = of.derived(parent.get());
        Set<List<String>> there = of.rows(parent.get()).stream()
                .map(row -> key.referencedColumns().stream().map(column -> of(referenced, row, column)).toList())
                .collect(Collectors.toSet());
        for (int i = 0; i < rows.size(); i++) {
            SampleRow row = rows.get(i);
            List<String> values = key.columns().stream().map(column -> of(table, row, column)).toList();
            if (!values.contains("") && !there.contains(values)) {
                found.accept(finding(of, entity, row, i + 1, String.join(", ", key.columns()), "there is no row of “"
                        + of.name(parent.get()) + "” with the key " + String.join(", ", values)));
            }
        }
    }

    private static Finding finding(Reviewed of, Entity entity, SampleRow row, int number, String column, String why) {
        String table = of.table(entity.id()).name();
        return new Finding(INFO.id(), INFO.level(),
                List.of(new About(About.Kind.ROW, entity.id().value(), table + " row " + number),
                        new About(About.Kind.ATTRIBUTE, entity.id().value(), table + "." + column)),
                "Sample row " + number + " of “" + entity.name() + "” breaks a rule of " + column + ": " + why + ".",
                List.of(values(of, entity, row)),
                List.of(new SuggestedChange("Remove the row", new Change.RemoveRow(row.id()))));
    }

    private static String values(Reviewed of, Entity entity, SampleRow row) {
        return of.derived(entity.id()).paths().stream().map(path -> row.values().getOrDefault(path, ""))
                .collect(Collectors.joining(" | "));
    }
}
