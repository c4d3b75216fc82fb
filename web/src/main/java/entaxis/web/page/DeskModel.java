package entaxis.web.page;

import entaxis.core.design.CardSide;
import entaxis.core.design.CategoryId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.NoteId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.PictureId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.targets.Target;
import entaxis.drawing.scene.Lens;
import entaxis.web.ledger.Contents;
import entaxis.web.ledger.EntityLedger;
import entaxis.web.ledger.KeysLedger;
import entaxis.web.ledger.KindsLedger;
import entaxis.web.ledger.NamingLedger;
import entaxis.web.ledger.ReachLedger;
import entaxis.web.ledger.RelationshipLedger;
import entaxis.web.ledger.SelectionLedger;
import entaxis.web.ledger.SheetLedger;
import entaxis.web.ledger.TypesLedger;
import entaxis.web.store.OpenDesign;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.springframework.ui.Model;

/** Puts into a page's model what all desks show: the strip, the contents, the ledger of what is selected. */
final class DeskModel {
    private DeskModel() { }

    static Lens lens(String text) {
        return text.equals("tables") ? Lens.TABLES : Lens.CONCEPT;
    }

    static void strip(Model model, OpenDesign open, String desk, String selected) {
        model.addAttribute("open", open);
        model.addAttribute("edits", "/designs/" + open.id() + "/edits");
        model.addAttribute("facts", open.design().facts());
        model.addAttribute("targets", Target.values());
        model.addAttribute("desk", desk);
        model.addAttribute("selected", selected);
    }

    static void contents(Model model, OpenDesign open) {
        model.addAttribute("contents", Contents.of(open.design()));
    }

    /** The sheet that is shown, and the tabs of all. */
    static void sheet(Model model, OpenDesign open, Sheet sheet) {
        model.addAttribute("sheet", sheet);
        model.addAttribute("sheets", open.design().sheets().list());
        model.addAttribute("hiddenCards", sheet.hidden().size());
    }

    /** The ledger of the selected elements; of the design as a whole when they are gone or nothing is selected. */
    static void ledger(Model model, OpenDesign open, Sheet sheet, String selected, String leaf) {
        Design design = open.design();
        sheet(model, open, sheet);
        model.addAttribute("selected", "");
        model.addAttribute("leaf", leaf);
        if (selected.contains(",")) {
            selection(model, design, sheet, selected);
        } else if (selected.matches("[ercni][0-9a-z]{1,24}")) {
            switch (selected.charAt(0)) {
                case 'e' -> design.entities().find(new EntityId(selected)).ifPresent(entity -> {
                    entity(model, open, entity);
                    if (ReachLedger.asked(leaf)) {
                        model.addAttribute("reach", ReachLedger.of(design, open.derivation(), entity, leaf));
                    }
                });
                case 'r' -> design.relationships().find(new RelationshipId(selected))
                        .ifPresent(relationship -> relationship(model, open, sheet, relationship));
                case 'c' -> design.categories().find(new CategoryId(selected))
                        .flatMap(category -> design.entities().find(category.general())).ifPresent(entity -> {
                    model.addAttribute("leaf", "kinds");
                    entity(model, open, entity);
                });
                case 'n' -> sheet.notes().find(new NoteId(selected))
                        .ifPresent(note -> model.addAttribute("note", note).addAttribute("selected", selected));
                default -> sheet.pictures().find(new PictureId(selected)).ifPresent(
                        picture -> model.addAttribute("picture", picture).addAttribute("selected", selected));
            }
        }
        if (model.getAttribute("selected").equals("")) {
            design(model, open, sheet, leaf);
        }
    }

    private static void selection(Model model, Design design, Sheet sheet, String selected) {
        List<OwnerId> cards = Arrays.stream(selected.split(",")).filter(id -> id.matches("[er][0-9a-z]{1,24}"))
                .map(OwnerId::of).filter(card -> switch (card) {
            case EntityId id -> design.entities().contains(id);
            case RelationshipId id -> design.relationships().contains(id);
        }).toList();
        if (!cards.isEmpty()) {
            SelectionLedger ledger = SelectionLedger.of(design, sheet, cards);
            model.addAttribute("selection", ledger);
            model.addAttribute("selected", ledger.ids());
        }
    }

    private static void entity(Model model, OpenDesign open, Entity entity) {
        EntityLedger ledger = EntityLedger.of(open.design(), open.derivation(), entity);
        model.addAttribute("entity", ledger);
        model.addAttribute("selected", ledger.id());
        model.addAttribute("kinds", KindsLedger.of(open.design(), entity));
        model.addAttribute("keys", KeysLedger.of(open.design(), open.derivation(), entity));
    }

    private static void relationship(Model model, OpenDesign open, Sheet sheet, Relationship relationship) {
        model.addAttribute("relationship", RelationshipLedger.of(open.design(), open.derivation(), relationship));
        model.addAttribute("shape", sheet.line(relationship.id().value()));
        model.addAttribute("corners",
                sheet.line(relationship.id().value()).found() ? ""
                        : sheet.line(relationship.id().value()).bends().stream()
                .map(place -> place.x() + "," + place.y()).collect(Collectors.joining("; ")));
        model.addAttribute("cardSides", CardSide.values());
        model.addAttribute("selected", relationship.id().value());
    }

    private static void design(Model model, OpenDesign open, Sheet sheet, String leaf) {
        switch (leaf) {
            case "types" -> model.addAttribute("types", TypesLedger.of(open.design()));
            case "names" -> model.addAttribute("names", NamingLedger.of(open.design(), open.derivation()));
            case "sheet" -> model.addAttribute("sheetLedger", SheetLedger.of(open.design(), sheet));
            default -> model.addAttribute("areas", open.design().areas().list());
        }
    }
}
