package entaxis.web.page;

import entaxis.core.design.EntityId;
import entaxis.core.design.RelationshipId;
import entaxis.drawing.scene.Lens;
import entaxis.web.ledger.Contents;
import entaxis.web.ledger.EntityLedger;
import entaxis.web.ledger.RelationshipLedger;
import entaxis.web.store.OpenDesign;
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
        model.addAttribute("targets", entaxis.core.design.Target.values());
        model.addAttribute("desk", desk);
        model.addAttribute("selected", selected);
    }

    static void contents(Model model, OpenDesign open) {
        model.addAttribute("contents", Contents.of(open.design()));
    }

    /** The ledger of the selected element; of the design as a whole when it is gone or nothing is selected. */
    static void ledger(Model model, OpenDesign open, String selected) {
        model.addAttribute("selected", "");
        if (selected.matches("e[0-9a-z]{1,24}")) {
            open.design().entities().find(new EntityId(selected)).ifPresent(entity -> {
                model.addAttribute("entity", EntityLedger.of(open.design(), open.derivation(), entity));
                model.addAttribute("selected", selected);
            });
        } else if (selected.matches("r[0-9a-z]{1,24}")) {
            open.design().relationships().find(new RelationshipId(selected)).ifPresent(relationship -> {
                model.addAttribute("relationship", RelationshipLedger.of(open.design(), open.derivation(), relationship));
                model.addAttribute("selected", selected);
            });
        }
        model.addAttribute("sizes", entaxis.core.design.Paper.Size.values());
        model.addAttribute("paper", open.design().sheet().paper());
    }
}
