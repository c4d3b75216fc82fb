package entaxis.web.page;

import entaxis.core.dictionary.Dictionary;
import entaxis.core.dictionary.MeaningCount;
import entaxis.drawing.scene.Lens;
import entaxis.web.ledger.ShownDictionary;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The Dictionary desk: the whole design as a document, to read and to complete. */
@Controller
class DictionaryController {
    private final DesignStore store;
    private final Sheets sheets;

    DictionaryController(DesignStore store, Sheets sheets) {
        this.store = store;
        this.sheets = sheets;
    }

    @GetMapping("/designs/{id}/dictionary")
    String desk(@PathVariable String id, @RequestParam(defaultValue = "") String sel,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "") String area, @RequestParam(defaultValue = "false") boolean undescribed,
            Model model) {
        OpenDesign now = store.open(id);
        Dictionary dictionary = Dictionary.of(now.design(), now.derivation());
        ShownDictionary shown = new ShownDictionary(words, area, undescribed);
        DeskModel.strip(model, now, "dictionary", sel);
        model.addAttribute("dictionary", dictionary);
        model.addAttribute("meanings", MeaningCount.of(now.design()));
        model.addAttribute("shown", shown);
        model.addAttribute("parts", shown.parts(dictionary));
        model.addAttribute("sheets", now.design().sheets().list());
        return "dictionary";
    }

    /** A sheet as the dictionary shows it: a picture of its own that the browser may keep for this revision. */
    @GetMapping("/designs/{id}/dictionary/sheet.svg")
    ResponseEntity<String> sheet(@PathVariable String id, @RequestParam String sheet) {
        OpenDesign open = store.open(id);
        return ResponseEntity.ok().contentType(MediaType.valueOf("image/svg+xml;charset=UTF-8"))
                .header("Content-Security-Policy",
                        "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:; sandbox")
                .body(sheets.document(open, Lens.CONCEPT, DiagramController.shown(open, sheet)));
    }
}
