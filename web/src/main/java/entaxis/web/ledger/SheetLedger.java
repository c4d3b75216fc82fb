package entaxis.web.ledger;

import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Notation;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetView;
import java.util.List;

/**
 * One sheet and what it shows.
 *
 * @param hidden names of what is hidden on it
 * @param absent entities that are not on it
 */
public record SheetLedger(String id, String name, SheetView view, Paper paper, List<Notation> notations,
        List<SheetView.Detail> details, List<SheetView.Types> types,
        List<Paper.Size> sizes, List<String> hidden, List<Named> absent, boolean last) {
    /** Something with a name. */
    public record Named(String id, String name) { }

    /** A sheet of a design. */
    public static SheetLedger of(Design design, Sheet sheet) {
        List<String> hidden = sheet.hidden().stream().filter(EntityId.class::isInstance)
                .flatMap(id -> design.entities().find((EntityId) id).stream()).map(Entity::name).sorted().toList();
        List<Named> absent = design.entities().stream().filter(entity -> !sheet.places().containsKey(entity.id()))
                .map(entity -> new Named(entity.id().value(), entity.name())).toList();
        return new SheetLedger(sheet.id().value(), sheet.name(), sheet.shows(), sheet.paper(),
                List.of(Notation.values()), List.of(SheetView.Detail.values()),
                List.of(SheetView.Types.values()), List.of(Paper.Size.values()), hidden, absent,
                design.sheets().size() == 1);
    }
}
