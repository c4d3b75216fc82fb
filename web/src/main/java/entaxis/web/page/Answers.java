package entaxis.web.page;

import entaxis.core.change.Problem;
import entaxis.core.design.Sheet;
import entaxis.core.dictionary.MeaningCount;
import entaxis.web.edit.EditForm;
import entaxis.web.edit.EditKind;
import entaxis.web.edit.WrongRequest;
import entaxis.web.ledger.Contents;
import entaxis.web.ledger.ReadAloud;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.EditResult;
import entaxis.web.store.OpenDesign;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;

/** Answers to edits: the changed parts of the page, or what was wrong beside the field that sent it. */
@Component
class Answers {
    private static final String NUMBER = "\\d{1,15}";
    private final Sheets sheets;

    Answers(Sheets sheets) {
        this.sheets = sheets;
    }

    String answer(EditResult result, EditForm form, Optional<String> select, String trigger, Model model,
            HttpServletResponse response) {
        return switch (result) {
            case EditResult.Refused(List<Problem> problems, OpenDesign now) ->
                    refused(problems, trigger, form, now, model, response);
            case EditResult.Kept(OpenDesign before, OpenDesign after) -> {
                if (form.text("desk").equals("sentences")) {
                    DeskModel.strip(model, after, "sentences", form.text("sel"));
                    model.addAttribute("list",
                            ReadAloud.of(after.design(), after.derivation(), form.text("leaf").equals("open")));
                    yield "fragments/sentences-response";
                }
                if (form.text("kind").equals(EditKind.DICTIONARY_CELLS.word())) {
                    DeskModel.strip(model, after, "dictionary", form.text("sel"));
                    model.addAttribute("meanings", MeaningCount.of(after.design()));
                    yield "fragments/dictionary :: response";
                }
                if (!form.text("desk").isEmpty() && !form.text("desk").equals("diagram")) {
                    response.setHeader("HX-Refresh", "true");
                }
                Contents old = Contents.of(before.design());
                boolean same = seen(form) == before.revision() && old.equals(Contents.of(after.design()));
                select.ifPresent(
                        id -> response.setHeader("HX-Trigger-After-Settle", "{\"entaxis:selected\":\"" + id + "\"}"));
                yield changed(after, form, select, same, model);
            }
        };
    }

    /** Everything on a page that changed since the revision that it shows. */
    String changed(OpenDesign now, EditForm form, Optional<String> select, boolean sameContents, Model model) {
        String selected = select.orElse(form.text("sel"));
        Sheet sheet = form.sheet(now.design());
        DeskModel.strip(model, now, "diagram", selected);
        DeskModel.ledger(model, now, sheet, selected, form.text("leaf"));
        if (!sameContents) {
            DeskModel.contents(model, now);
        }
        model.addAttribute("patch", sheets.patch(now, DeskModel.lens(form.text("lens")), sheet, seen(form)));
        return "fragments/response";
    }

    static long seen(EditForm form) {
        return form.text("seen").matches(NUMBER) ? Long.parseLong(form.text("seen")) : -1;
    }

    static void checkSeen(EditForm form, OpenDesign now) {
        if (!form.text("seen").matches(NUMBER) || seen(form) > now.revision()) {
            throw new WrongRequest("the edit names no revision that this design has had");
        }
    }

    String refused(List<Problem> problems, String trigger, EditForm form, OpenDesign now, Model model,
            HttpServletResponse response) {
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        response.setHeader("HX-Retarget",
                trigger.matches("[A-Za-z0-9_-]{1,120}") ? "#" + trigger + "-fault" : "#notice");
        response.setHeader("HX-Reswap", "innerHTML");
        boolean meanwhile = seen(form) >= 0 && seen(form) < now.revision();
        model.addAttribute("message", String.join(" ", problems.stream().map(Problem::message).toList())
                + (meanwhile
                        ? " (The design has moved on meanwhile, to revision " + now.revision() + "; reload to see it.)"
                        : ""));
        return "fragments/fault :: fault";
    }
}
