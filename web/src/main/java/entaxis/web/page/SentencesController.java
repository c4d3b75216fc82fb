package entaxis.web.page;

import entaxis.web.ledger.ReadAloud;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The read-aloud list: every relationship in its two sentences. */
@Controller
class SentencesController {
    private final DesignStore store;

    SentencesController(DesignStore store) {
        this.store = store;
    }

    @GetMapping("/designs/{id}/sentences")
    String desk(@PathVariable String id, @RequestParam(defaultValue = "") String sel,
            @RequestParam(defaultValue = "false") boolean open, Model model) {
        OpenDesign now = store.open(id);
        DeskModel.strip(model, now, "sentences", sel);
        DeskModel.contents(model, now);
        model.addAttribute("list", ReadAloud.of(now.design(), now.derivation(), open));
        model.addAttribute("onlyOpen", open);
        return "sentences";
    }
}
