package entaxis.core.normalize;

import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.normalize.Remedy.Piece;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Shares the sample rows of a relation out among its pieces, equal ones once. Linear in the rows. */
final class DecomposedRows {
    private final Remedy remedy;
    private final EntityRelation about;
    private final List<Piece> pieces;
    private final List<EntityId> ids;
    private final PieceColumns columns;
    private final Fresh fresh;

    DecomposedRows(Remedy remedy, List<EntityId> ids, PieceColumns columns, Fresh fresh) {
        this.remedy = remedy;
        this.about = remedy.about();
        this.pieces = remedy.pieces();
        this.ids = ids;
        this.columns = columns;
        this.fresh = fresh;
    }

    /** The design with the rows of the pieces in the place of those of the relation. */
    Design put(Design from) {
        List<SampleRow> rows = new ArrayList<>();
        Set<RowId> kept = new HashSet<>();
        List<SampleRow> made = new ArrayList<>();
        for (int i = 0; i < pieces.size(); i++) {
            Set<List<String>> seen = new HashSet<>();
            int[] places = pieces.get(i).attributes().places();
            for (int row = 0; row < about.samples().size(); row++) {
                int at = row;
                List<String> values =
                        java.util.Arrays.stream(places).mapToObj(column -> about.rows().value(at, column)).toList();
                boolean empty = pieces.get(i).key().members().stream()
                        .allMatch(column -> about.rows().value(at, column).isEmpty()) && i != remedy.keeper();
                if (empty || !seen.add(values)) {
                    continue;
                }
                Map<ColumnPath, String> typed = new HashMap<>();
                for (int column : places) {
                    int piece = i;
                    Optional.ofNullable(about.samples().get(row).values().get(about.paths().get(column)))
                            .ifPresent(value -> typed.put(columns.path(piece, column), value));
                }
                if (i == remedy.keeper()) {
                    kept.add(about.samples().get(row).id());
                    made.add(new SampleRow(about.samples().get(row).id(), ids.get(i), typed));
                } else {
                    made.add(new SampleRow(new RowId(fresh.id('w')), ids.get(i), typed));
                }
            }
        }
        Map<RowId, SampleRow> changed = new HashMap<>();
        made.stream().filter(row -> kept.contains(row.id())).forEach(row -> changed.put(row.id(), row));
        for (SampleRow row : from.rows()) {
            if (!row.table().equals(about.entity().id())) {
                rows.add(row);
            } else if (changed.containsKey(row.id())) {
                rows.add(changed.get(row.id()));
            }
        }
        made.stream().filter(row -> !kept.contains(row.id())).forEach(rows::add);
        return about.samples().isEmpty() ? from : from.withRows(Elements.of(rows));
    }
}
