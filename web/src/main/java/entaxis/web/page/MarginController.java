package entaxis.web.page;

import entaxis.core.impact.ImpactPreview;
import entaxis.core.review.Level;
import entaxis.core.review.Review;
import entaxis.web.review.FindingList;
import entaxis.web.review.Margin;
import entaxis.web.review.MarginNote;
import entaxis.web.review.NoteRows;
import entaxis.web.review.Reviews;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The margin of the Diagram desk: what the rules find, and what their remedies would change. */
@Controller
class MarginController {
    /** A finding about more elements than this is one of the whole design. */
    private static final int MAX_ABOUT = 4;
    private static final int MAX_NOTES = 8;
    private final DesignStore store;
    private final Reviews reviews;

    MarginController(DesignStore store, Reviews reviews) {
        this.store = store;
        this.reviews = reviews;
    }

    /** The notes beside a sheet; only how many there are where the margin is closed. */
    @GetMapping("/designs/{id}/margin")
    String margin(@PathVariable String id, @RequestParam(defaultValue = "") String sheet,
            @RequestParam(defaultValue = "") String level,
            @RequestParam(defaultValue = "false") boolean brief, Model model) {
        OpenDesign open = store.open(id);
        DeskModel.strip(model, open, "diagram", "");
        Review review = reviews.of(open);
        Margin margin = Margin.of(review, open.design(), DiagramController.shown(open, sheet), Level.of(level));
        model.addAttribute("margin", margin);
        model.addAttribute("noteRows", brief ? Map.of()
                : NoteRows.of(margin.notes(), review, open.design(), open.derivation()));
        model.addAttribute("levels", Level.values());
        model.addAttribute("level", level);
        return brief ? "fragments/margin :: count" : "fragments/margin :: margin";
    }

    /** The list of all findings. */
    @GetMapping("/designs/{id}/findings")
    String all(@PathVariable String id, @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "") String words, Model model) {
        OpenDesign open = store.open(id);
        DeskModel.strip(model, open, "findings", "");
        Review review = reviews.of(open);
        model.addAttribute("list", FindingList.of(review, open.design(), FindingList.By.of(by), words));
        model.addAttribute("count", Margin.of(review, open.design(), open.design().sheet(), Optional.empty()).count());
        model.addAttribute("ways", FindingList.By.values());
        model.addAttribute("by", FindingList.By.of(by));
        model.addAttribute("words", words);
        model.addAttribute("levels", Level.values());
        return "findings";
    }

    /** What is found about one element, for the ledger. */
    @GetMapping("/designs/{id}/findings/about")
    String about(@PathVariable String id, @RequestParam String sel, Model model) {
        OpenDesign open = store.open(id);
        model.addAttribute("notes",
                reviews.of(open).findings().stream().filter(finding -> finding.about().size() <= MAX_ABOUT
                && finding.about().stream().anyMatch(about -> about.id().equals(sel))).limit(MAX_NOTES)
                .map(finding -> MarginNote.of(finding, open.design(), open.design().sheet())).toList());
        return "fragments/margin :: about";
    }

    /** What a remedy would change, in statements for the engine. */
    @GetMapping("/designs/{id}/remedy")
    String remedy(@PathVariable String id, @RequestParam String finding, @RequestParam int remedy, Model model) {
        OpenDesign open = store.open(id);
        model.addAttribute("foreseen", MarginNote.remedy(reviews.of(open), finding, remedy)
                .map(one -> ImpactPreview.of(open.design(), open.derivation(), one.words(), one.change())));
        return "fragments/margin :: foreseen";
    }
}
