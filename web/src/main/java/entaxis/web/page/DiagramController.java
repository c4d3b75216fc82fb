package entaxis.web.page;

import entaxis.core.design.Sheet;
import entaxis.drawing.scene.Lens;
import entaxis.web.edit.EditForm;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
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
    String desk(@PathVariable String id, @RequestParam(defaultValue = "concept") String lens,
            @RequestParam(defaultValue = "") String sel,
            @RequestParam(defaultValue = "") String sheet, @RequestParam(defaultValue = "") String leaf, Model model) {
        OpenDesign open = store.open(id);
        Lens through = DeskModel.lens(lens);
        Sheet shown = shown(open, sheet);
        DeskModel.strip(model, open, "diagram", sel);
        DeskModel.contents(model, open);
        DeskModel.ledger(model, open, shown, sel, leaf);
        model.addAttribute("lens", through.name().toLowerCase(Locale.ROOT));
        model.addAttribute("patch", sheets.whole(open, through, shown));
        SheetFileController.offer(model);
        model.addAttribute("others", store.list().stream().filter(other -> !other.id().equals(id)).toList());
        return "diagram";
    }

    static Sheet shown(OpenDesign open, String sheet) {
        return new EditForm(Map.of("sheet", sheet)).sheet(open.design());
    }

    /** The ledger of another selection. */
    @GetMapping("/designs/{id}/ledger")
    String ledger(@PathVariable String id, @RequestParam(defaultValue = "") String sel,
            @RequestParam(defaultValue = "") String sheet,
            @RequestParam(defaultValue = "") String leaf, Model model) {
        OpenDesign open = store.open(id);
        DeskModel.strip(model, open, "diagram", sel);
        DeskModel.ledger(model, open, shown(open, sheet), sel, leaf);
        return "fragments/ledger :: ledger";
    }

    /** A whole sheet through another lens. */
    @GetMapping("/designs/{id}/sheet")
    String sheet(@PathVariable String id, @RequestParam(defaultValue = "concept") String lens,
            @RequestParam(defaultValue = "") String sheet, Model model) {
        OpenDesign open = store.open(id);
        model.addAttribute("patch", sheets.whole(open, DeskModel.lens(lens), shown(open, sheet)));
        return "fragments/sheet :: patch";
    }

    /** Some cards and lines in full, for a page that has only their outlines. */
    @PostMapping("/designs/{id}/parts")
    ResponseEntity<String> parts(@PathVariable String id, @RequestParam String lens, @RequestParam String sheet,
            @RequestParam String ids) {
        OpenDesign open = store.open(id);
        return ResponseEntity.ok().contentType(MediaType.TEXT_HTML)
                .body(sheets.parts(open, DeskModel.lens(lens), shown(open, sheet),
                        new LinkedHashSet<>(List.of(ids.split(",")))));
    }

    /** A sheet as a file. */
    @GetMapping("/designs/{id}/sheet.svg")
    ResponseEntity<String> document(@PathVariable String id, @RequestParam(defaultValue = "concept") String lens,
            @RequestParam(defaultValue = "") String sheet) {
        OpenDesign open = store.open(id);
        return ResponseEntity.ok().contentType(MediaType.valueOf("image/svg+xml;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment()
                        .filename(FileName.of(open.design().facts().name(), "svg"), StandardCharsets.UTF_8).build()
                        .toString())
                .body(sheets.document(open, DeskModel.lens(lens), shown(open, sheet)));
    }
}
