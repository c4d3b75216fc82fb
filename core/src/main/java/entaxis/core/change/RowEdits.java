package entaxis.core.change;

import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath.Hop;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** Edits of sample rows. */
final class RowEdits {
    /** Rows are examples to think with, not data to keep. */
    private static final int MAX_ROWS = 5000;

    private RowEdits() { }

    static EditStep add(Design design, SampleRow row) {
        boolean there = switch (row.table()) {
            case EntityId id -> design.entities().contains(id);
            case RelationshipId id ->
                    design.relationships().find(id).map(relationship -> relationship.manyToMany()).orElse(false);
        };
        if (!there) {
            return EditStep.refused(design, "", "The table of this row is no longer there.");
        }
        if (design.rows().contains(row.id())) {
            return EditStep.refused(design, "", "This row has been added already.");
        }
        if (design.rows().size() >= MAX_ROWS) {
            return EditStep.refused(design, "",
                    "A design holds " + MAX_ROWS + " sample rows at most. Delete some first.");
        }
        return stored(design, row);
    }

    static EditStep put(Design design, SampleRow row) {
        return design.rows().find(row.id()).filter(old -> old.table().equals(row.table())).isPresent()
                ? stored(design, row)
                : EditStep.refused(design, "", "This row is no longer there.");
    }

    private static EditStep stored(Design design, SampleRow row) {
        Optional<String> tooLong =
                row.values().values().stream().flatMap(value -> Invariants.text(value, "A value").stream()).findFirst();
        return tooLong.map(message -> EditStep.refused(design, "", message))
                .orElseGet(() -> EditStep.done(design.withRows(design.rows().with(row))));
    }

    static EditStep remove(Design design, RowId row) {
        return design.rows().contains(row) ? EditStep.done(design.withRows(design.rows().without(row)))
                : EditStep.refused(design, "", "This row is no longer there.");
    }

    /** The rows of one table as rows of another, their columns told otherwise. */
    static Design moved(Design design, OwnerId from, OwnerId to, UnaryOperator<ColumnPath> path) {
        return exchanged(design,
                row -> row.table().equals(from) ? new SampleRow(row.id(), to, renamed(row, path)) : row);
    }

    private static Map<ColumnPath, String> renamed(SampleRow row, UnaryOperator<ColumnPath> path) {
        Map<ColumnPath, String> values = new HashMap<>();
        row.values().forEach((column, value) -> values.put(path.apply(column), value));
        return values;
    }

    private static Design exchanged(Design design, UnaryOperator<SampleRow> change) {
        List<SampleRow> rows = design.rows().stream().map(change).toList();
        return rows.equals(design.rows().list()) ? design : design.withRows(Elements.of(rows));
    }

    /** The rows of an entity numbered from 1 in an attribute. */
    static Design numbered(Design design, EntityId entity, AttributeId attribute) {
        int[] next = {0};
        return exchanged(design, row -> row.table().equals(entity)
                ? with(row, ColumnPath.own(attribute), Integer.toString(++next[0])) : row);
    }

    /** The rows of an entity numbered from 1 within each parent. */
    static Design lineNumbers(Design design, EntityId entity, RelationshipId parent, AttributeId attribute) {
        Map<Map<ColumnPath, String>, Integer> next = new HashMap<>();
        return exchanged(design, row -> {
            if (!row.table().equals(entity)) {
                return row;
            }
            Map<ColumnPath, String> key = new HashMap<>(row.values());
            key.keySet().removeIf(path -> !path.migrated() || !path.hops().getFirst().relationship().equals(parent));
            return with(row, ColumnPath.own(attribute), Integer.toString(next.merge(key, 1, Integer::sum)));
        });
    }

    private static SampleRow with(SampleRow row, ColumnPath path, String value) {
        Map<ColumnPath, String> values = new HashMap<>(row.values());
        values.put(path, value);
        return new SampleRow(row.id(), row.table(), values);
    }

    /**
     * The rows that refer to an entity by its old key, at whatever distance, referring to it by its new one: the new
     * values are those of the row that had the old ones. References that meet no row stay as they are. Linear in the
     * rows times the columns of a key.
     */
    static Design rekeyed(Design design, EntityId entity, List<ColumnPath> oldKey, List<ColumnPath> newKey) {
        Map<List<String>, SampleRow> byOldKey = new HashMap<>();
        design.rows().stream().filter(row -> row.table().equals(entity))
                .forEach(row -> values(row, oldKey, List.of()).ifPresent(key -> byOldKey.putIfAbsent(key, row)));
        return oldKey.isEmpty() ? design
                : exchanged(design, row -> rekeyed(design, row, entity, oldKey, newKey, byOldKey));
    }

    private static SampleRow rekeyed(Design design, SampleRow row, EntityId entity, List<ColumnPath> oldKey,
            List<ColumnPath> newKey, Map<List<String>, SampleRow> byOldKey) {
        Map<ColumnPath, String> values = new HashMap<>(row.values());
        for (ColumnPath path : row.values().keySet()) {
            for (int depth = 1; depth <= path.hops().size(); depth++) {
                List<Hop> way = path.hops().subList(0, depth);
                Hop last = way.getLast();
                boolean leadsThere = design.relationships().find(last.relationship())
                        .map(relationship -> relationship.end(last.parent()).entity().equals(entity)).orElse(false);
                Optional<SampleRow> parent =
                        leadsThere ? values(row, oldKey, way).map(byOldKey::get) : Optional.empty();
                parent.flatMap(found -> values(found, newKey, List.of())).ifPresent(now -> {
                    oldKey.forEach(key -> values.remove(behind(way, key)));
                    for (int i = 0; i < now.size(); i++) {
                        values.put(behind(way, newKey.get(i)), now.get(i));
                    }
                });
            }
        }
        return new SampleRow(row.id(), row.table(), values);
    }

    /** The values of a key in a row that holds it behind a way; none unless it holds all of them. */
    private static Optional<List<String>> values(SampleRow row, List<ColumnPath> key, List<Hop> way) {
        List<String> values = key.stream()
                .flatMap(path -> Optional.ofNullable(row.values().get(behind(way, path))).stream()).toList();
        return values.size() == key.size() ? Optional.of(values) : Optional.empty();
    }

    private static ColumnPath behind(List<Hop> way, ColumnPath path) {
        return new ColumnPath(Stream.concat(way.stream(), path.hops().stream()).toList(), path.attribute());
    }

    static Design withoutRowsOf(Design design, OwnerId owner) {
        return design.rows().stream().noneMatch(row -> row.table().equals(owner)) ? design
                : design.withRows(
                        Elements.of(design.rows().stream().filter(row -> !row.table().equals(owner)).toList()));
    }
}
