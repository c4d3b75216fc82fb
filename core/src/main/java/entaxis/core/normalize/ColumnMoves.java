package entaxis.core.normalize;

import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.End;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.normalize.Remedy.Piece;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Takes along what names a column of a relation from elsewhere, where the column gets another path. */
final class ColumnMoves {
    private final Remedy remedy;
    private final EntityRelation about;
    private final Design design;
    private final List<Piece> pieces;
    private final PieceColumns columns;
    private final List<RelationshipId> made;

    /**
     * For one decomposition.
     *
     * @param made the relationships between the pieces
     */
    ColumnMoves(Remedy remedy, Design design, PieceColumns columns, List<RelationshipId> made) {
        this.remedy = remedy;
        this.about = remedy.about();
        this.design = design;
        this.pieces = remedy.pieces();
        this.columns = columns;
        this.made = made;
    }

    /** What named a column of the entity from elsewhere finds it at its new place. */
    Design follow(Design from) {
        Map<ColumnPath, ColumnPath> moved = new HashMap<>();
        pieces.get(remedy.keeper()).attributes().forEach(column -> {
            ColumnPath now = columns.path(remedy.keeper(), column);
            if (!now.equals(about.paths().get(column))) {
                moved.put(about.paths().get(column), now);
            }
        });
        if (moved.isEmpty()) {
            return from;
        }
        Design next = from;
        for (Relationship relationship : from.relationships()) {
            Relationship changed = relationship;
            for (Side side : Side.values()) {
                End end = changed.end(side);
                boolean at = end.entity().equals(about.entity().id())
                        && !made.contains(relationship.id());
                Map<ColumnPath, String> names = new HashMap<>();
                end.columnNames().forEach((path, name) -> names
                        .put(at && moved.containsKey(path) ? moved.get(path) : further(path, moved), name));
                changed = names.equals(end.columnNames()) ? changed : changed.with(side, end.columnNames(names));
            }
            next = changed == relationship ? next : next.with(changed);
        }
        List<SampleRow> rows = new ArrayList<>();
        for (SampleRow row : next.rows()) {
            Map<ColumnPath, String> values = new HashMap<>();
            row.values().forEach((path, value) -> values.put(further(path, moved), value));
            rows.add(values.equals(row.values()) ? row : new SampleRow(row.id(), row.table(), values));
        }
        return next.withRows(Elements.of(rows));
    }

    /** A path that leads over a relationship out of the entity, with the rest of it as it is now. */
    private ColumnPath further(ColumnPath path, Map<ColumnPath, ColumnPath> moved) {
        for (int i = 0; i < path.hops().size(); i++) {
            ColumnPath.Hop hop = path.hops().get(i);
            boolean fromHere = design.relationships().find(hop.relationship())
                    .map(relationship -> relationship.end(hop.parent()).entity().equals(about.entity().id()))
                    .orElse(false);
            ColumnPath rest = new ColumnPath(path.hops().subList(i + 1, path.hops().size()), path.attribute());
            if (fromHere && moved.containsKey(rest)) {
                ColumnPath now = moved.get(rest);
                for (int back = i; back >= 0; back--) {
                    now = now.over(path.hops().get(back).relationship(), path.hops().get(back).parent());
                }
                return now;
            }
        }
        return path;
    }
}
