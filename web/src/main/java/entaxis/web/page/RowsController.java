package entaxis.web.page;

import entaxis.core.change.Change;
import entaxis.core.change.Problem;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.review.Reviewed;
import entaxis.core.review.Values;
import entaxis.web.edit.EditForm;
import entaxis.web.edit.WrongRequest;
import entaxis.web.review.Reviews;
import entaxis.web.rows.RowGrid;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.OpenDesign;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** Sample rows that are corrected where they are shown, cell by cell. */
@Controller
class RowsController {
    private final DesignStore store;
    private final Reviews reviews;
    private final Answers answers;

    RowsController(DesignStore store, Reviews reviews, Answers answers) {
        this.store = store;
        this.reviews = reviews;
        this.answers = answers;
    }

    @GetMapping("/designs/{id}/rows")
    String rows(@PathVariable String id, @RequestParam String table, Model model) {
        grid(store.open(id), WrongRequest.unlessRead("table", table, OwnerId::of), model);
        return "fragments/rows :: grid";
    }

    /** Gives a cell another value; one that its column could not hold is refused and stays in its field. */
    @PostMapping("/designs/{id}/rows/cell")
    String cell(@PathVariable String id, @RequestParam Map<String, String> fields,
            @RequestHeader(value = "HX-Trigger", defaultValue = "") String trigger,
            Model model, HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign open = store.open(id);
        Optional<SampleRow> row =
                open.design().rows().find(form.read("row", RowId::new));
        if (row.isEmpty()) {
            return answers.refused(List.of(new Problem("", "This row is no longer there: it was deleted meanwhile.")),
                    trigger, form, open, model, response);
        }
        ColumnPath path = form.read("path", ColumnPath::of);
        String value = form.value().strip();
        Optional<String> unfit = unfit(open, row.get(), path, value);
        if (unfit.isPresent()) {
            return answers.refused(List.of(new Problem("value", "This does not fit: " + unfit.get() + ".")), trigger,
                    form, open, model, response);
        }
        return switch (store.edit(id, new Change.PutRow(row.get().with(path, value)))) {
            case EditResult.Refused(List<Problem> problems, OpenDesign now) ->
                    answers.refused(problems, trigger, form, now, model, response);
            case EditResult.Kept(OpenDesign before, OpenDesign after) -> {
                grid(after, row.get().table(), model);
                yield "fragments/rows :: answered";
            }
        };
    }

    private static Optional<String> unfit(OpenDesign open, SampleRow row, ColumnPath path, String value) {
        return open.derivation().stated().derived(row.table()).flatMap(table -> table.column(path))
                .flatMap(column -> Values.unfitCell(Reviewed.of(open.design(), open.derivation()), column, value));
    }

    private void grid(OpenDesign open, OwnerId owner, Model model) {
        DerivedTable table = open.derivation().stated().derived(owner)
                .orElseThrow(() -> new WrongRequest("there is no table of " + owner));
        model.addAttribute("open", open);
        model.addAttribute("grid", RowGrid.of(open.design(), table, owner, reviews.of(open)));
    }
}
