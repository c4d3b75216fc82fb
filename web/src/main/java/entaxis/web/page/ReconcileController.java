package entaxis.web.page;

import entaxis.core.change.Problem;
import entaxis.core.design.OwnerId;
import entaxis.core.migration.Migration;
import entaxis.core.reading.Reading;
import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Answer;
import entaxis.core.reconcile.Risk;
import entaxis.core.syntax.ScriptLines;
import entaxis.core.targets.Target;
import entaxis.drawing.paint.Mark;
import entaxis.drawing.scene.Lens;
import entaxis.engines.migration.Rehearsal;
import entaxis.exchange.ScriptText;
import entaxis.web.edit.WrongRequest;
import entaxis.web.reading.Connections;
import entaxis.web.reconcile.ReconcileView;
import entaxis.web.reconcile.ReconcileView.Group;
import entaxis.web.reconcile.Reconciling;
import entaxis.web.reconcile.Sides;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.OpenDesign;
import entaxis.web.work.Job;
import entaxis.web.work.Jobs;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/**
 * The Reconcile desk: what the design and another side have apart, what is decided about it, and what follows for both.
 */
@Controller
class ReconcileController {
    /** So often a page asks whether a script has begun: the database is read first, which may take its time. */
    private static final int MAX_ASKED = 60;
    private static final int PAGE = 50;
    private static final int MAX_COUNT = 100_000;

    private final DesignStore store;
    private final Reconciling reconciling;
    private final Sheets sheets;
    private final Jobs jobs;

    ReconcileController(DesignStore store, Reconciling reconciling, Sheets sheets, Jobs jobs) {
        this.jobs = jobs;
        this.store = store;
        this.reconciling = reconciling;
        this.sheets = sheets;
    }

    @GetMapping("/designs/{id}/reconcile")
    String desk(@PathVariable String id, @RequestParam(defaultValue = "") String side,
            @RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "all") String show,
            @RequestParam(defaultValue = "") String sel, @RequestParam(defaultValue = "false") boolean again,
            @RequestParam(defaultValue = "") String read,
            @RequestHeader(value = "HX-Request", defaultValue = "false") boolean htmx, HttpServletResponse response,
            Model model) {
        OpenDesign open = store.open(id);
        List<Sides.Choice> choices = reconciling.sides(open);
        String key = side.isEmpty() && !choices.isEmpty() && choices.getFirst().key().startsWith("database:")
                ? choices.getFirst().key() : side;
        if (htmx ? again : !jobs.take(read)) {
            Optional<Job> reading = reconciling.reading(key, token -> page(id, key, q, show) + "&read=" + token);
            reading.flatMap(Job::fault).ifPresent(fault -> model.addAttribute("fault", fault));
            if (reading.isPresent() && reading.get().fault().isEmpty() && reading.get().page().isEmpty()) {
                response.setHeader("HX-Redirect", "/jobs/" + reading.get().token());
                return htmx ? "fragments/fault :: done" : WorkController.next(reading.get());
            }
        }
        DeskModel.strip(model, open, "reconcile", sel);
        model.addAttribute("choices", choices);
        show(model, open, model.containsAttribute("fault") ? "" : key, q, show, false);
        return htmx ? "fragments/reconcile :: desk" : "reconcile";
    }

    private static String page(String id, String side, String q, String show) {
        return "/designs/" + id + "/reconcile?side=" + URLEncoder.encode(side, StandardCharsets.UTF_8) + "&q="
                + URLEncoder.encode(q, StandardCharsets.UTF_8) + "&show="
                + URLEncoder.encode(show, StandardCharsets.UTF_8);
    }

    /** Gives the present state a name, by which it can be compared later. */
    @PostMapping("/designs/{id}/versions")
    String version(@PathVariable String id, @RequestParam(defaultValue = "") String version, Model model,
            HttpServletResponse response) {
        Optional<Problem> problem = store.nameVersion(id, version);
        if (problem.isEmpty()) {
            response.setHeader("HX-Refresh", "true");
            return "fragments/fault :: done";
        }
        response.setStatus(HttpStatus.UNPROCESSABLE_ENTITY.value());
        model.addAttribute("message", problem.get().message());
        return "fragments/fault :: fault";
    }

    private void show(Model model, OpenDesign open, String key, String q, String show, boolean again) {
        model.addAttribute("open", open);
        model.addAttribute("side", key);
        model.addAttribute("q", q);
        model.addAttribute("show", show);
        model.addAttribute("answers", Answer.values());
        if (key.isEmpty()) {
            return;
        }
        try {
            ReconcileView view = reconciling.view(open, key, again);
            model.addAttribute("view", view);
            List<Group> shown = filtered(view.groups(), q.strip().toLowerCase(Locale.ROOT), show);
            int most = (Integer) model.getAttribute("most");
            model.addAttribute("groups", first(shown, most));
            model.addAttribute("further", shown.stream().mapToInt(group -> group.rows().size()).sum() - most);
            model.addAttribute("kinds", ReconcileView.Kind.of(shown));
            model.addAttribute("script", ScriptLines.of(view.migration().text(title(open, view)),
                    open.design().facts().target()));
        } catch (Connections.Unreachable e) {
            model.addAttribute("fault", e.getMessage());
        }
    }

    private static String title(OpenDesign open, ReconcileView view) {
        return view.side().title() + " to " + open.design().facts().name() + ", revision " + open.revision();
    }

    /**
     * How many differences a page shows at once; a desk of a thousand stays fluent, as what is further down is shown
     * when asked for.
     */
    @ModelAttribute("most")
    int most(@RequestParam(defaultValue = "" + PAGE) int most) {
        return Math.clamp(most, PAGE, MAX_COUNT);
    }

    private static List<Group> first(List<Group> groups, int most) {
        List<Group> first = new ArrayList<>();
        int left = most;
        for (Group group : groups) {
            if (left > 0) {
                first.add(new Group(group.name(), group.rows().subList(0, Math.min(left, group.rows().size()))));
                left -= group.rows().size();
            }
        }
        return first;
    }

    private static List<Group> filtered(List<Group> groups, String words, String show) {
        Predicate<ReconcileView.Row> wanted = row -> switch (show) {
            case "open" -> row.choice().isEmpty();
            case "design" -> row.chose(Answer.WANTED);
            case "side" -> row.chose(Answer.HAVE);
            case "kept" -> row.chose(Answer.KEEP);
            case "risky" -> row.difference().risk() != Risk.SAFE;
            default -> true;
        };
        List<Group> shown = matching(groups, wanted, words);
        if (!show.equals("all")) {
            return shown;
        }
        List<Group> apart = new ArrayList<>(matching(shown, row -> !row.chose(Answer.KEEP), ""));
        List<ReconcileView.Row> kept =
                shown.stream().flatMap(group -> group.rows().stream()).filter(row -> row.chose(Answer.KEEP)).toList();
        if (!kept.isEmpty()) {
            apart.add(new Group("Kept as they are", kept));
        }
        return apart;
    }

    private static List<Group> matching(List<Group> groups, Predicate<ReconcileView.Row> wanted, String words) {
        return groups.stream().map(group -> new Group(group.name(), group.rows().stream().filter(wanted)
                .filter(row -> words.isEmpty() || (row.sentence() + " " + row.difference().part().word())
                        .toLowerCase(Locale.ROOT).contains(words))
                .toList()))
                .filter(group -> !group.rows().isEmpty()).toList();
    }

    private String again(String id, String side, String q, String show, Model model) {
        show(model, store.open(id), side, q, show, false);
        return "fragments/reconcile :: desk";
    }

    /** Notes a decision on one difference, or on all of a table that are shown. */
    @PostMapping("/designs/{id}/reconcile/decide")
    String decide(@PathVariable String id, @RequestParam String side, @RequestParam(defaultValue = "") String key,
            @RequestParam(defaultValue = "") String kind, @RequestParam(defaultValue = "") String group,
            @RequestParam(defaultValue = "") String choice, @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "all") String show,
            Model model) {
        OpenDesign open = store.open(id);
        try {
            if (choice.isEmpty()) {
                reconciling.reopen(open, side, key);
            } else {
                Set<String> keys = key.isEmpty() ? filtered(reconciling.view(open, side, false).groups(),
                        q.strip().toLowerCase(Locale.ROOT), show).stream()
                        .filter(shown -> group.isEmpty() || shown.name().equals(group))
                        .flatMap(shown -> shown.rows().stream())
                        .filter(row -> kind.isEmpty() || row.difference().part().name().equals(kind))
                        .map(row -> row.difference().key()).collect(Collectors.toSet()) : Set.of(key);
                reconciling.decide(open, side, keys, WrongRequest.unlessRead("choice", choice, Answer::valueOf),
                        reason);
            }
        } catch (Connections.Unreachable e) {
            model.addAttribute("fault", e.getMessage());
        }
        return again(id, side, q, show, model);
    }

    @PostMapping("/designs/{id}/reconcile/rename")
    String rename(@PathVariable String id, @RequestParam String side, @RequestParam String key,
            @RequestParam(defaultValue = "false") boolean same, @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "all") String show, Model model) {
        reconciling.rename(store.open(id), side, key, same);
        return again(id, side, q, show, model);
    }

    @PostMapping("/designs/{id}/reconcile/fill")
    String fill(@PathVariable String id, @RequestParam String side, @RequestParam String key,
            @RequestParam(defaultValue = "") String value, @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "all") String show, Model model) {
        reconciling.fill(store.open(id), side, key, value).ifPresent(message -> model.addAttribute("said", message));
        return again(id, side, q, show, model);
    }

    @PostMapping("/designs/{id}/reconcile/confirm")
    String confirm(@PathVariable String id, @RequestParam String side, @RequestParam String key,
            @RequestParam(defaultValue = "false") boolean meant, @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "all") String show, Model model) {
        reconciling.confirm(store.open(id), side, key, meant);
        return again(id, side, q, show, model);
    }

    /** Brings the design up to date, as one edit. */
    @PostMapping("/designs/{id}/reconcile/update")
    String update(@PathVariable String id, @RequestParam String side, @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "all") String show, Model model) {
        OpenDesign open = store.open(id);
        try {
            EditResult result = store.edit(id, reconciling.update(open, side));
            model.addAttribute("said", switch (result) {
                case EditResult.Kept(OpenDesign before, OpenDesign after) ->
                        "The design is brought up to date, as revision " + after.revision()
                                + ". Undo takes it back as a whole.";
                case EditResult.Refused(List<Problem> problems, OpenDesign now) -> problems.getFirst().message();
            });
        } catch (Connections.Unreachable e) {
            model.addAttribute("said", e.getMessage());
        }
        model.addAttribute("keeping", true);
        return again(id, side, q, show, model);
    }

    @PostMapping("/designs/{id}/reconcile/rehearse")
    String rehearse(@PathVariable String id, @RequestParam String side, @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "all") String show, Model model) {
        try {
            Rehearsal rehearsal = reconciling.rehearse(store.open(id), side);
            model.addAttribute("rehearsal", rehearsal);
        } catch (Connections.Unreachable e) {
            model.addAttribute("said", e.getMessage());
        } catch (SQLException e) {
            model.addAttribute("said", "The built-in engine cannot hold this to begin with: " + e.getMessage());
        }
        return again(id, side, q, show, model);
    }

    /** Runs the script on the database; only where it is the one that was shown. */
    @PostMapping("/designs/{id}/reconcile/run")
    String run(@PathVariable String id, @RequestParam String side, @RequestParam int shown,
            @RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "all") String show, Model model) {
        OpenDesign open = store.open(id);
        try {
            model.addAttribute("execution", reconciling.run(open, side, shown));
        } catch (Connections.Unreachable e) {
            model.addAttribute("said", e.getMessage());
        }
        return again(id, side, q, show, model);
    }

    /** Which statement of a script that was started runs now. */
    @GetMapping("/designs/{id}/reconcile/progress")
    String progress(@PathVariable String id, @RequestParam String side, @RequestParam(defaultValue = "0") int asked,
            Model model) {
        model.addAttribute("base", "/designs/" + id + "/reconcile");
        model.addAttribute("again", asked < MAX_ASKED ? asked + 1 : 0);
        model.addAttribute("progress", reconciling.progress(id, side).orElse(null));
        return "fragments/reconcile :: progress";
    }

    /** Stops a script that runs: cancels its statement and begins none after it. */
    @PostMapping("/designs/{id}/reconcile/stop")
    String stop(@PathVariable String id, @RequestParam String side, Model model) {
        reconciling.stop(id, side);
        return progress(id, side, MAX_ASKED, model);
    }

    @PostMapping("/designs/{id}/reconcile/agree")
    String agree(@PathVariable String id, @RequestParam String side, @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "all") String show, Model model) {
        try {
            reconciling.agree(store.open(id), side);
            model.addAttribute("said",
                    "Remembered: this is what both sides agree on. From now on each difference tells who changed it.");
        } catch (Connections.Unreachable e) {
            model.addAttribute("said", e.getMessage());
        }
        return again(id, side, q, show, model);
    }

    /** Takes a script in as a side. */
    @PostMapping("/designs/{id}/reconcile/script")
    String script(@PathVariable String id, @RequestParam("file") MultipartFile file,
            @RequestParam(defaultValue = "") String script, @RequestParam Target engine, Model model)
            throws IOException {
        OpenDesign open = store.open(id);
        String text = file.isEmpty() ? script : ScriptText.of(file.getBytes());
        Reading reading = ScriptReader.read(text, engine);
        if (reading.schema().tables().isEmpty()) {
            String why = reading.notUnderstood().isEmpty() ? "" : " Line " + reading.notUnderstood().getFirst().line()
                    + ": " + reading.notUnderstood().getFirst().reason() + ".";
            DeskModel.strip(model, open, "reconcile", "");
            model.addAttribute("choices", reconciling.sides(open));
            show(model, open, "", "", "all", false);
            model.addAttribute("fault",
                    "No table was found in it as a script of " + engine.title() + "." + why + " Is that its engine?");
            return "reconcile";
        }
        String name =
                Optional.ofNullable(file.getOriginalFilename()).filter(own -> !own.isBlank()).orElse(Sides.PASTED);
        String key = reconciling.script(open, name.length() > 200 ? name.substring(0, 200) : name, engine, text);
        return "redirect:/designs/" + id + "/reconcile?side=" + URLEncoder.encode(key, StandardCharsets.UTF_8);
    }

    /** The script, or the way back, under a name that sorts by revision. */
    @GetMapping("/designs/{id}/reconcile.sql")
    ResponseEntity<String> download(@PathVariable String id, @RequestParam String side,
            @RequestParam(defaultValue = "false") boolean reverse) throws Connections.Unreachable {
        OpenDesign open = store.open(id);
        ReconcileView view = reconciling.view(open, side, false);
        if (!reverse && view.stop().isPresent()) {
            return ResponseEntity.status(HttpStatus.CONFLICT).contentType(MediaType.valueOf("text/plain;charset=UTF-8"))
                    .body("No script is written, because it would stop half-way at " + view.stop().get());
        }
        String name = (reverse ? "U" : "V") + open.revision() + "__" + FileName.of(view.about(), "sql");
        Migration migration = reverse ? view.reverse().get() : view.migration();
        String title = reverse ? "Back from " + open.design().facts().name() + ", revision " + open.revision()
                : title(open, view);
        return ResponseEntity.ok().contentType(MediaType.valueOf("application/sql;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
                .body(migration.text(title));
    }

    /** The tables of the design as they stand on its sheet, those with differences framed and counted. */
    @GetMapping("/designs/{id}/reconcile.svg")
    ResponseEntity<String> marked(@PathVariable String id, @RequestParam String side) throws Connections.Unreachable {
        OpenDesign open = store.open(id);
        ReconcileView view = reconciling.view(open, side, false);
        Map<OwnerId, Mark> marks = new HashMap<>();
        open.derivation().tables()
                .forEach((owner, table) -> view.groups().stream()
                        .filter(group -> group.name().equals(table.table().label()))
                        .findFirst()
                        .ifPresent(group -> marks.put(owner, new Mark(group.rows().size(),
                                group.rows().getFirst().difference().risk() == Risk.LOSES_DATA))));
        return ResponseEntity.ok().contentType(MediaType.valueOf("image/svg+xml"))
                .header("Content-Security-Policy",
                        "default-src 'none'; style-src 'unsafe-inline'; font-src data:; img-src data:")
                .body(sheets.marked(open, Lens.TABLES, open.design().sheet(), marks));
    }
}
