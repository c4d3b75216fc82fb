package entaxis.web.page;

import entaxis.core.change.Problem;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RowId;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Table;
import entaxis.engines.trial.QueryOutcome;
import entaxis.engines.trial.StatementOutcome;
import entaxis.web.edit.WrongRequest;
import entaxis.web.review.Reviews;
import entaxis.web.rows.RowGrid;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.OpenDesign;
import entaxis.web.trial.TrialBusy;
import entaxis.web.trial.TrialSession;
import entaxis.web.trial.Trials;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The Trial desk. */
@Controller
class TrialController {
    private static final int MAX_QUESTION = 20_000;
    private static final String VALUE = "v.";

    private final DesignStore store;
    private final Reviews reviews;
    private final Trials trials;

    TrialController(DesignStore store, Trials trials, Reviews reviews) {
        this.reviews = reviews;
        this.store = store;
        this.trials = trials;
    }

    /** A field of the row form. */
    record Cell(String field, String column, String type, String hint, String typed) { }

    /** A sample row as its INSERT statement, with what the rules say of it. */
    record KeptRow(String id, String sql, boolean known, boolean accepted, String message, List<String> notes) { }

    @GetMapping("/designs/{id}/trial")
    String desk(@PathVariable String id, @RequestParam(defaultValue = "") String sel, Model model) {
        OpenDesign open = store.open(id);
        page(model, open, sel, Map.of());
        return "trial";
    }

    @PostMapping("/designs/{id}/trial/run")
    String run(@PathVariable String id, @RequestParam(defaultValue = "") String table, Model model) {
        OpenDesign open = store.open(id);
        try {
            trials.run(open);
        } catch (TrialBusy e) {
            model.addAttribute("trouble", e.getMessage());
        }
        page(model, open, table, Map.of());
        return "trial :: answered";
    }

    @GetMapping("/designs/{id}/trial/table")
    String table(@PathVariable String id, @RequestParam String table, Model model) {
        page(model, store.open(id), table, Map.of());
        return "trial :: answered";
    }

    @PostMapping("/designs/{id}/trial/rows")
    String insert(@PathVariable String id, @RequestParam Map<String, String> fields, Model model) {
        OpenDesign open = store.open(id);
        String table = fields.getOrDefault("table", "");
        Map<ColumnPath, String> values = new HashMap<>();
        fields.forEach((field, value) -> {
            if (field.startsWith(VALUE) && !value.isBlank()) {
                values.put(WrongRequest.unlessRead("field", field.substring(VALUE.length()), ColumnPath::of),
                        value.strip());
            }
        });
        OwnerId owner = WrongRequest.unlessRead("table", table, OwnerId::of);
        if (open.derivation().table(owner).isEmpty()) {
            throw new WrongRequest("there is no table of " + owner);
        }
        Trials.RowOutcome outcome;
        try {
            outcome = trials.insert(open, owner, values);
        } catch (TrialBusy e) {
            model.addAttribute("trouble", e.getMessage());
            page(model, open, table, values);
            return "trial :: answered";
        }
        Optional<EditResult.Refused> refused =
                outcome.edit().filter(EditResult.Refused.class::isInstance).map(EditResult.Refused.class::cast);
        boolean kept = outcome.statement().accepted() && refused.isEmpty();
        page(model, store.open(id), table, kept ? Map.of() : values);
        model.addAttribute("inserted", outcome.statement());
        refused.ifPresent(edit -> model.addAttribute("inserted",
                new StatementOutcome(outcome.statement().sql(), false, message(edit), 0)));
        return "trial :: answered";
    }

    @PostMapping("/designs/{id}/trial/rows/{row}/remove")
    String remove(@PathVariable String id, @PathVariable String row, @RequestParam(defaultValue = "") String table,
            Model model) {
        try {
            trials.remove(store.open(id), WrongRequest.unlessRead("row", row, RowId::new));
        } catch (TrialBusy e) {
            model.addAttribute("trouble", e.getMessage());
        }
        page(model, store.open(id), table, Map.of());
        return "trial :: answered";
    }

    @PostMapping("/designs/{id}/trial/query")
    String query(@PathVariable String id, @RequestParam String question, Model model) {
        if (question.isBlank()) {
            model.addAttribute("failed", "Type a question, such as SELECT * FROM a_table.");
        } else if (question.length() > MAX_QUESTION) {
            model.addAttribute("failed", "This question is longer than " + MAX_QUESTION + " characters. Shorten it.");
        } else {
            try {
                switch (trials.query(store.open(id), question)) {
                    case QueryOutcome.Rows rows -> model.addAttribute("result", rows);
                    case QueryOutcome.Failed(String reason) -> model.addAttribute("failed", reason);
                }
            } catch (TrialBusy e) {
                model.addAttribute("failed", e.getMessage());
            }
        }
        return "trial :: answer";
    }

    private static String message(EditResult.Refused refused) {
        return String.join(" ", refused.problems().stream().map(Problem::message).toList());
    }

    private void page(Model model, OpenDesign open, String wanted, Map<ColumnPath, String> typed) {
        DeskModel.strip(model, open, "trial", wanted);
        List<DerivedTable> tables =
                open.derivation().tables().values().stream().filter(table -> !table.columns().isEmpty()).toList();
        model.addAttribute("tables", tables);
        Optional<TrialSession> session = trials.session(open);
        session.ifPresent(now -> model.addAttribute("attempt", now));
        tables.stream().filter(table -> table.element().value().equals(wanted)).findFirst()
                .or(() -> tables.stream().findFirst()).ifPresent(table -> {
                    OwnerId owner = table.element();
                    model.addAttribute("table", table);
                    model.addAttribute("owner", owner.value());
                    model.addAttribute("cells",
                            table.columns().stream().map(column -> cell(table.table(), column, typed)).toList());
                    model.addAttribute("question", Trials.question(table.table()));
                    Map<String, List<String>> notes = RowGrid.of(open.design(),
                            open.derivation().stated().derived(owner).orElse(table), owner, reviews.of(open)).notes();
                    model.addAttribute("rows",
                            open.design().rows().stream().filter(row -> row.table().equals(owner)).map(row -> {
                        Optional<StatementOutcome> outcome = session.flatMap(now -> now.row(row.id()));
                                return new KeptRow(row.id().value(),
                                        outcome.map(StatementOutcome::sql).orElseGet(() -> Trials.insert(table, row)),
                                        outcome.isPresent(),
                                        outcome.map(StatementOutcome::accepted).orElse(true),
                                        outcome.map(StatementOutcome::message).orElse(""),
                                        notes.getOrDefault(row.id().value(), List.of()));
                    }).toList());
                });
    }

    private static Cell cell(Table table, DerivedColumn derived, Map<ColumnPath, String> typed) {
        Column column = derived.column();
        ColumnPath path = derived.path();
        String hint = column.identity() != Identity.NONE ? "numbered by the engine"
                : column.defaultValue().map(value -> "default " + value)
                        .orElse(column.required() ? "required" : "may be empty");
        String refers = table.foreignKeys().stream().filter(key -> key.columns().contains(column.name())).findFirst()
                .map(key -> ", refers to " + key.referencedTable()).orElse("");
        return new Cell(VALUE + path, column.name(), column.type().text(), hint + refers, typed.getOrDefault(path, ""));
    }
}
