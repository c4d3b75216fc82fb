package entaxis.web.page;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.targets.Target;
import entaxis.web.demo.SeedVault;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.NewId;
import entaxis.web.store.NoSuchDesign;
import java.util.Map;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The list of designs. */
@Controller
class HomeController {
    private final DesignStore store;
    private final Sheets sheets;

    HomeController(DesignStore store, Sheets sheets) {
        this.store = store;
        this.sheets = sheets;
    }

    @GetMapping("/")
    String home(Model model) {
        model.addAttribute("form", new NewDesign("", Target.DEFAULT, "", Paper.Size.A4, true));
        return page(model);
    }

    private String page(Model model) {
        model.addAttribute("designs", store.list().stream().map(DesignCard::of).toList());
        model.addAttribute("targets", Target.values());
        model.addAttribute("sizes", Paper.Size.values());
        return "home";
    }

    /** What a new design starts with. */
    record NewDesign(String name, Target target, String title, Paper.Size size, boolean landscape) { }

    @PostMapping("/designs")
    String create(@RequestParam String name, @RequestParam Target target, @RequestParam(defaultValue = "") String title,
            @RequestParam Paper.Size size,
            @RequestParam boolean landscape, Model model) {
        NewDesign form = new NewDesign(name, target, title, size, landscape);
        DesignProperties facts =
                DesignProperties.begun(name.strip(), target, title.isBlank() ? name.strip() : title.strip(), "");
        Design design = Design.empty(facts,
                new Sheet(new SheetId(NewId.of('p')), "Sheet 1", new Paper(size, landscape), Map.of()));
        if (Editor.apply(design, new Change.SetFacts(facts)) instanceof Refused refused) {
            model.addAttribute("form", form);
            model.addAttribute("fault", refused.problems().getFirst());
            return page(model);
        }
        return "redirect:/designs/" + store.create(design);
    }

    /** The example, as a design of one's own. */
    @PostMapping("/example")
    String example() {
        return "redirect:/designs/" + store.create(SeedVault.design());
    }

    /** Renames a design from its card; the card comes back, with what was wrong if anything was. */
    @PostMapping("/designs/{id}/name")
    String rename(@PathVariable String id, @RequestParam String value, Model model) {
        DesignProperties facts = store.open(id).design().facts();
        EditResult result = store.edit(id, new Change.SetFacts(facts.named(value.strip())));
        if (result instanceof EditResult.Refused refused) {
            model.addAttribute("problem", refused.problems().getFirst().message());
            model.addAttribute("typed", value);
        }
        model.addAttribute("card", store.list().stream().filter(row -> row.id().equals(id)).findFirst()
                .map(DesignCard::of).orElseThrow(() -> new NoSuchDesign(id)));
        return "fragments/card :: card";
    }

    @PostMapping("/designs/{id}/duplicate")
    String duplicate(@PathVariable String id) {
        store.duplicate(id);
        return "redirect:/";
    }

    @PostMapping("/designs/{id}/delete")
    String delete(@PathVariable String id, Model model) {
        String name = store.open(id).design().facts().name();
        store.delete(id);
        model.addAttribute("deletedId", id);
        model.addAttribute("deletedName", name);
        return home(model);
    }

    @PostMapping("/designs/{id}/restore")
    String restore(@PathVariable String id) {
        store.restore(id);
        return "redirect:/";
    }

    /** The small picture on a design's card; its address names the revision, so that it may be kept for good. */
    @GetMapping("/designs/{id}/picture.svg")
    ResponseEntity<String> picture(@PathVariable String id) {
        return ResponseEntity.ok().contentType(MediaType.valueOf("image/svg+xml"))
                .cacheControl(CacheControl.maxAge(java.time.Duration.ofDays(30)).cachePrivate())
                .body(sheets.miniature(store.open(id)));
    }
}
