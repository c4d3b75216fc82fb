package entaxis.web.page;

import entaxis.drawing.scene.Lens;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The Diagram desk. */
@Controller
class DiagramController {
    private final DesignStore store;
    private final Sheets sheets;

    DiagramController(DesignStore store, Sheets sheets) {
        this.store = store;
        this.sheets = sheets;
    }

    @GetMapping("/designs/{id}")
    String desk(@PathVariable String id, @RequestParam(defaultValue = "concept") String lens, @RequestParam(defaultValue = "") String sel, Model model) {
        OpenDesign open = store.open(id);
        Lens through = DeskModel.lens(lens);
        DeskModel.strip(model, open, "diagram", sel);
        DeskModel.contents(model, open);
        DeskModel.ledger(model, open, sel);
        model.addAttribute("lens", through.name().toLowerCase(java.util.Locale.ROOT));
        model.addAttribute("patch", sheets.whole(open, through));
        return "diagram";
    }

    /** The ledger of another selection. */
    @GetMapping("/designs/{id}/ledger")
    String ledger(@PathVariable String id, @RequestParam(defaultValue = "") String sel, Model model) {
        OpenDesign open = store.open(id);
        DeskModel.strip(model, open, "diagram", sel);
        DeskModel.ledger(model, open, sel);
        return "fragments/ledger :: ledger";
    }

    /** The whole sheet through another lens. */
    @GetMapping("/designs/{id}/sheet")
    String sheet(@PathVariable String id, @RequestParam(defaultValue = "concept") String lens, Model model) {
        model.addAttribute("patch", sheets.whole(store.open(id), DeskModel.lens(lens)));
        return "fragments/sheet :: patch";
    }

    /** The sheet as a file. */
    @GetMapping("/designs/{id}/sheet.svg")
    ResponseEntity<String> document(@PathVariable String id, @RequestParam(defaultValue = "concept") String lens) {
        OpenDesign open = store.open(id);
        return ResponseEntity.ok().contentType(MediaType.valueOf("image/svg+xml;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment()
                        .filename(FileName.of(open.design().facts().name(), "svg"), java.nio.charset.StandardCharsets.UTF_8).build().toString())
                .body(sheets.document(open, DeskModel.lens(lens)));
    }
}
