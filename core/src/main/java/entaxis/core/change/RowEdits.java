package entaxis.core.change;

import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import java.util.Optional;

/** Edits of sample rows. */
final class RowEdits {
    /** Rows are examples to think with, not data to keep. */
    private static final int MAX_ROWS = 5000;

    private RowEdits() { }

    static Step add(Design design, SampleRow row) {
        boolean there = switch (row.table()) {
            case EntityId id -> design.entities().contains(id);
            case RelationshipId id -> design.relationships().find(id).map(relationship -> relationship.manyToMany()).orElse(false);
        };
        if (!there) {
            return Step.refused(design, "", "The table of this row is no longer there.");
        }
        if (design.rows().contains(row.id())) {
            return Step.refused(design, "", "This row has been added already.");
        }
        if (design.rows().size() >= MAX_ROWS) {
            return Step.refused(design, "", "A design holds " + MAX_ROWS + " sample rows at most. Delete some first.");
        }
        Optional<String> tooLong = row.values().values().stream().flatMap(value -> Rules.text(value, "A value").stream()).findFirst();
        return tooLong.map(message -> Step.refused(design, "", message)).orElseGet(() -> Step.done(design.withRows(design.rows().with(row))));
    }

    static Step remove(Design design, RowId row) {
        return design.rows().contains(row) ? Step.done(design.withRows(design.rows().without(row)))
                : Step.refused(design, "", "This row is no longer there.");
    }

    static Design withoutRowsOf(Design design, OwnerId owner) {
        return design.rows().stream().noneMatch(row -> row.table().equals(owner)) ? design
                : design.withRows(Elements.of(design.rows().stream().filter(row -> !row.table().equals(owner)).toList()));
    }
}
