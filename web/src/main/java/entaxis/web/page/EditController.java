package entaxis.web.page;

import entaxis.core.change.Change;
import entaxis.core.change.Problem;
import entaxis.drawing.layout.AutoLayout;
import entaxis.drawing.scene.Lens;
import entaxis.web.edit.EditForm;
import entaxis.web.edit.EditReader;
import entaxis.web.edit.EditReading.Faulty;
import entaxis.web.edit.EditReading.Read;
import entaxis.web.ledger.Contents;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.OpenDesign;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** Edits: each is one form, answered by the changed parts of the page, or by what was wrong beside the field that sent it. */
@Controller
class EditController {
    private final DesignStore store;
    private final Sheets sheets;

    EditController(DesignStore store, Sheets sheets) {
        this.store = store;
        this.sheets = sheets;
    }

    @PostMapping("/designs/{id}/edits")
    String edit(@PathVariable String id, @RequestParam Map<String, String> fields, @RequestHeader(value = "HX-Trigger", defaultValue = "") String trigger,
            Model model, HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        checkSeen(form, now);
        return switch (EditReader.read(now.design(), form)) {
            case Faulty(List<Problem> problems) -> refused(problems, trigger, form, now, model, response);
            case Read(Change change, Optional<String> select) -> answer(store.edit(id, change), form, select, trigger, model, response);
        };
    }

    @PostMapping("/designs/{id}/undo")
    String undo(@PathVariable String id, @RequestParam Map<String, String> fields, Model model, HttpServletResponse response) {
        return answer(store.undo(id), new EditForm(fields), Optional.empty(), "", model, response);
    }

    @PostMapping("/designs/{id}/redo")
    String redo(@PathVariable String id, @RequestParam Map<String, String> fields, Model model, HttpServletResponse response) {
        return answer(store.redo(id), new EditForm(fields), Optional.empty(), "", model, response);
    }

    /** Arranges the whole sheet; laid out with the tables' sizes, so that both lenses have room. */
    @PostMapping("/designs/{id}/arrange")
    String arrange(@PathVariable String id, @RequestParam Map<String, String> fields, Model model, HttpServletResponse response) {
        OpenDesign now = store.open(id);
        Change change = new Change.PlaceCards(now.design().sheet().id(), AutoLayout.arrange(sheets.render(now, Lens.TABLES).scene()));
        return answer(store.edit(id, change), new EditForm(fields), Optional.empty(), "", model, response);
    }

    private static void checkSeen(EditForm form, OpenDesign now) {
        String seen = form.text("seen");
        if (!seen.matches("\\d{1,15}") || Long.parseLong(seen) > now.revision()) {
            throw new IllegalArgumentException("the edit names no revision that this design has had");
        }
    }

    private String answer(EditResult result, EditForm form, Optional<String> select, String trigger, Model model, HttpServletResponse response) {
        return switch (result) {
            case EditResult.Refused(List<Problem> problems, OpenDesign now) -> refused(problems, trigger, form, now, model, response);
            case EditResult.Kept(OpenDesign before, OpenDesign after) -> {
                if (!form.text("desk").isEmpty() && !form.text("desk").equals("diagram")) {
                    response.setHeader("HX-Refresh", "true");
                }
                String selected = select.orElse(form.text("sel"));
                DeskModel.strip(model, after, "diagram", selected);
                DeskModel.ledger(model, after, selected);
                long seen = form.text("seen").matches("\\d{1,15}") ? Long.parseLong(form.text("seen")) : -1;
                Contents contents = Contents.of(after.design());
                if (seen != before.revision() || !contents.equals(Contents.of(before.design()))) {
                    model.addAttribute("contents", contents);
                }
                model.addAttribute("patch", sheets.patch(after, DeskModel.lens(form.text("lens")), seen));
                select.ifPresent(id -> response.setHeader("HX-Trigger-After-Settle", "{\"entaxis:selected\":\"" + id + "\"}"));
                yield "fragments/response";
            }
        };
    }

    private static String refused(List<Problem> problems, String trigger, EditForm form, OpenDesign now, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        response.setHeader("HX-Retarget", trigger.matches("[A-Za-z0-9_-]{1,120}") ? "#" + trigger + "-fault" : "#notice");
        response.setHeader("HX-Reswap", "innerHTML");
        boolean meanwhile = form.text("seen").matches("\\d{1,15}") && Long.parseLong(form.text("seen")) < now.revision();
        model.addAttribute("message", String.join(" ", problems.stream().map(Problem::message).toList())
                + (meanwhile ? " (The design has moved on meanwhile, to revision " + now.revision() + "; reload to see it.)" : ""));
        return "fragments/fault :: fault";
    }
}
