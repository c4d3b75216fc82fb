package entaxis.core.change;

import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Edits of entities and subject areas as a whole. */
final class EntityEdits {
    private static final String GONE = "This entity is no longer there; it was deleted meanwhile. Undo brings it back.";

    private EntityEdits() { }

    static EditStep gone(Design design) {
        return EditStep.refused(design, "", GONE);
    }

    static EditStep area(Design design, Area area, boolean isNew) {
        Optional<String> fault = Invariants.name(area.name(), "the area").or(() -> design.areas().stream()
                .filter(other -> !other.id().equals(area.id()) && other.name().equalsIgnoreCase(area.name()))
                .findFirst()
                .map(other -> "There is an area “" + other.name() + "” already. Choose another name."));
        if (fault.isPresent()) {
            return EditStep.refused(design, "name", fault.get());
        }
        if (area.hue() < 0 || area.hue() >= Area.HUES) {
            return EditStep.refused(design, "hue",
                    "There are " + Area.HUES + " colours, 0 to " + (Area.HUES - 1) + ".");
        }
        return design.areas().contains(area.id()) == isNew
                ? EditStep.refused(design, "", "This area is no longer what it was.")
                : EditStep.done(design.withAreas(design.areas().with(area)));
    }

    static EditStep removeArea(Design design, AreaId area) {
        if (!design.areas().contains(area)) {
            return EditStep.refused(design, "", "This area is no longer there.");
        }
        List<Entity> entities = design.entities().stream()
                .map(entity -> entity.area().equals(Optional.of(area)) ? entity.in(Optional.empty()) : entity).toList();
        return EditStep.done(design.withAreas(design.areas().without(area)).withEntities(Elements.of(entities)));
    }

    static EditStep add(Design design, Change.AddEntity edit) {
        Entity entity = edit.entity();
        if (design.entities().contains(entity.id())) {
            return EditStep.refused(design, "", "This entity has been added already.");
        }
        if (design.entities().size() >= Invariants.MAX_ENTITIES) {
            return EditStep.refused(design, "",
                    "A design holds " + Invariants.MAX_ENTITIES
                            + " entities at most. Start another design for the rest.");
        }
        if (!design.sheets().contains(edit.sheet())) {
            return EditStep.refused(design, "", "This sheet is no longer there.");
        }
        return named(design, entity, entity.name())
                .then(step -> SheetEdits
                        .place(step, new Change.PlaceCards(edit.sheet(), Map.of(entity.id(), edit.place()))).design());
    }

    static EditStep rename(Design design, Change.RenameEntity edit) {
        return design.entities().find(edit.entity()).map(entity -> named(design, entity, edit.name()))
                .orElseGet(() -> gone(design));
    }

    private static EditStep named(Design design, Entity entity, String typed) {
        String name = typed.strip();
        Optional<String> fault =
                Invariants.name(name, "the entity").or(() -> Invariants.tableNameTaken(design, entity.id(), name));
        return fault.map(message -> EditStep.refused(design, "name", message))
                .orElseGet(() -> EditStep.done(design.with(entity.renamed(name))));
    }

    static EditStep describe(Design design, Change.DescribeEntity edit) {
        Optional<String> fault = Invariants.text(edit.meaning(), "The meaning");
        return fault.isPresent() ? EditStep.refused(design, "meaning", fault.get())
                : design.entities().find(edit.entity())
                        .map(entity -> EditStep.done(design.with(entity.meaning(edit.meaning().strip()))))
                        .orElseGet(() -> gone(design));
    }

    static EditStep assign(Design design, Change.AssignArea edit) {
        if (edit.area().isPresent() && !design.areas().contains(edit.area().get())) {
            return EditStep.refused(design, "area", "This area is no longer there. Choose another one.");
        }
        return design.entities().find(edit.entity()).map(entity -> EditStep.done(design.with(entity.in(edit.area()))))
                .orElseGet(() -> gone(design));
    }

    static EditStep remove(Design design, EntityId id) {
        if (!design.entities().contains(id)) {
            return gone(design);
        }
        Design rest = design;
        for (Relationship relationship : design.relationshipsOf(id).toList()) {
            rest = RelationshipEdits.without(rest, relationship.id());
        }
        return EditStep.done(DependencyEdits.cleanedUp(CategoryEdits
                .cleanedUp(ExclusionEdits.cleanedUp(withoutCard(rest.withEntities(rest.entities().without(id)), id)))));
    }

    /** The design without the places and sample rows of something that is no longer there. */
    static Design withoutCard(Design design, OwnerId owner) {
        Design rest = design;
        for (var sheet : design.sheets()) {
            rest = sheet.without(owner).equals(sheet) ? rest : rest.with(sheet.without(owner));
        }
        return RowEdits.withoutRowsOf(rest, owner);
    }
}
