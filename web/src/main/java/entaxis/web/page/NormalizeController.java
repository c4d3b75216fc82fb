package entaxis.web.page;

import entaxis.core.change.Change;
import entaxis.core.change.Problem;
import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.Dependency;
import entaxis.core.dependency.DependencyCompletion;
import entaxis.core.dependency.DependencyReader;
import entaxis.core.dependency.FirstFormSigns;
import entaxis.core.dependency.NormalForm;
import entaxis.core.dependency.Verdict;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Place;
import entaxis.core.design.StatedDependencies;
import entaxis.core.design.StatedDependencies.Accepted;
import entaxis.core.design.StatedDependencies.Stated;
import entaxis.core.normalize.ApplyDecomposition;
import entaxis.core.normalize.DependencyLines;
import entaxis.core.normalize.DependencyLines.Weight;
import entaxis.core.normalize.EntityRelation;
import entaxis.core.normalize.FirstForm;
import entaxis.core.normalize.FlatSheet;
import entaxis.core.normalize.FormsOverview;
import entaxis.core.normalize.KeyChange;
import entaxis.core.normalize.Remedy;
import entaxis.exchange.CsvRows;
import entaxis.exchange.SpreadsheetRows;
import entaxis.web.edit.EditForm;
import entaxis.web.edit.WrongRequest;
import entaxis.web.normalize.DependencyPicture;
import entaxis.web.normalize.Judged;
import entaxis.web.normalize.NormalizeDesk;
import entaxis.web.normalize.NormalizePaper;
import entaxis.web.normalize.RemedyView;
import entaxis.web.normalize.Standing;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import entaxis.web.store.Recent;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;

/** The Normalize desk: dependencies of one entity, the verdict on it, and the remedy. */
@Controller
class NormalizeController {
    private static final int MAX_ROWS = 2000;

    private final DesignStore store;
    private final Answers answers;
    private final NormalizePaper paper;
    private final Recent<Standing> standings = new Recent<>();

    NormalizeController(DesignStore store, Answers answers, NormalizePaper paper) {
        this.store = store;
        this.answers = answers;
        this.paper = paper;
    }

    @GetMapping("/designs/{id}/normalize")
    String desk(@PathVariable String id, @RequestParam(defaultValue = "") String sel, Model model) {
        OpenDesign open = store.open(id);
        if (sel.isBlank() && open.design().entities().size() > 1) {
            DeskModel.strip(model, open, "normalize", "");
            model.addAttribute("overview", FormsOverview.of(open.design(), open.derivation()));
            return "normalize-overview";
        }
        Optional<Entity> chosen = chosen(open.design(), sel);
        DeskModel.strip(model, open, "normalize", chosen.map(entity -> entity.id().value()).orElse(""));
        model.addAttribute("entities", open.design().entities().stream()
                .sorted(Comparator.comparing(Entity::name, String.CASE_INSENSITIVE_ORDER)).toList());
        chosen.ifPresent(entity -> whole(Judged.of(standing(open, entity.id()), Optional.empty()),
                new EditForm(Map.of()), model));
        return "normalize";
    }

    /** The entity that is selected, else the first of which dependencies are stated, else the first. */
    private static Optional<Entity> chosen(Design design, String sel) {
        return design.entities().stream().filter(entity -> entity.id().value().equals(sel)).findFirst()
                .or(() -> design.dependencies().stream().flatMap(one -> design.entities().find(one.entity()).stream())
                        .findFirst())
                .or(() -> design.entities().stream().findFirst());
    }

    private void whole(Judged judged, EditForm form, Model model) {
        model.addAttribute("n", NormalizeDesk.of(judged));
        remedy(judged, form, model);
    }

    private static void remedy(Judged judged, EditForm form, Model model) {
        model.addAttribute("remedy", RemedyView.of(judged, wanted(form), form.text("signature"), names(form)));
    }

    /** What stays the same while lines about one entity are typed is worked out once. */
    private Standing standing(OpenDesign open, EntityId entity) {
        return standings.get(open.id(), before -> before.isOf(open, entity))
                .orElseGet(() -> standings.keep(open.id(), Standing.of(open, entity)));
    }

    private static Optional<NormalForm> wanted(EditForm form) {
        return Arrays.stream(NormalForm.values()).filter(one -> one.name().equals(form.text("reach"))).findFirst();
    }

    private static EntityRelation relation(OpenDesign open, EntityId entity) {
        return EntityRelation.of(open.design(), open.derivation(), entity);
    }

    private static Map<Integer, String> names(EditForm form) {
        Map<Integer, String> names = new HashMap<>();
        form.fields().forEach((field, value) -> {
            if (field.matches("name-\\d{1,3}") && !value.isBlank()) {
                names.put(WrongRequest.unlessRead("field", field.substring(5), Integer::parseInt), value.strip());
            }
        });
        return names;
    }

    private static Optional<EntityId> entity(OpenDesign open, EditForm form) {
        return form.text("sel").matches("e[0-9a-z]{1,24}")
                ? open.design().entities().find(form.read("sel", EntityId::new))
                        .map(Entity::id)
                : Optional.empty();
    }

    private String gone(String trigger, EditForm form, OpenDesign open, Model model, HttpServletResponse response) {
        return answers.refused(
                List.of(new Problem("",
                        "This entity is no longer there: it was deleted meanwhile. Choose another one.")),
                trigger, form, open, model, response);
    }

    /** The verdict on lines that are being typed, and then, once one stops typing, the remedy; nothing is kept. */
    @PostMapping("/designs/{id}/normalize/{what:check|remedy}")
    String check(@PathVariable String id, @PathVariable String what, @RequestParam Map<String, String> fields,
            @RequestHeader(value = "HX-Trigger", defaultValue = "") String trigger, Model model,
            HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign open = store.open(id);
        Optional<EntityId> entity = entity(open, form);
        if (entity.isEmpty()) {
            return gone(trigger, form, open, model, response);
        }
        Judged judged = Judged.of(standing(open, entity.get()), Optional.of(form.text("lines")));
        model.addAttribute("open", open);
        if (what.equals("remedy")) {
            remedy(judged, form, model);
            return "fragments/normalize :: remedy";
        }
        model.addAttribute("n", NormalizeDesk.of(judged));
        model.addAttribute("lines", Integer.toHexString(judged.text().hashCode()));
        return "fragments/normalize :: result";
    }

    @PostMapping("/designs/{id}/normalize/completions")
    String completions(@PathVariable String id, @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "") String sel, Model model) {
        OpenDesign open = store.open(id);
        List<String> names = chosen(open.design(), sel)
                .map(entity -> relation(open, entity.id()).relation().attributes()).orElse(List.of());
        model.addAttribute("completion", DependencyCompletion.of(text, names));
        return "fragments/find :: completions";
    }

    /** Keeps what is stated, decided or carried out. */
    @PostMapping("/designs/{id}/normalize/{what:keep|accept|suggestion|key|first-form|carry-out}")
    String edit(@PathVariable String id, @PathVariable String what, @RequestParam Map<String, String> fields,
            @RequestHeader(value = "HX-Trigger", defaultValue = "") String trigger,
            Model model, HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign open = store.open(id);
        Answers.checkSeen(form, open);
        Optional<EntityId> entity = entity(open, form);
        if (entity.isEmpty()) {
            return gone(trigger, form, open, model, response);
        }
        EntityRelation about = relation(open, entity.get());
        StatedDependencies stated =
                open.design().dependencies().find(entity.get()).orElse(StatedDependencies.none(entity.get()));
        return switch (what) {
            case "keep" -> {
                DependencyLines lines = DependencyLines.read(about, form.text("lines"));
                yield lines.understood()
                        ? kept(store.edit(id, new Change.StateDependencies(stated.stated(lines.dependencies()))), form,
                                entity.get(), trigger, model, response)
                        : answers.refused(lines.remarks().stream().filter(remark -> remark.weight() == Weight.FAULT)
                                .map(remark -> new Problem("lines",
                                        "Line " + remark.line() + " is not kept: " + remark.text()))
                                .limit(1).toList(), trigger, form, open, model, response);
            }
            case "accept", "suggestion" -> read(about, form.text("line"))
                    .map(dependency -> kept(store.edit(id, new Change.StateDependencies(
                            what.equals("accept") ? accepted(stated, dependency, form.text("reason").strip())
                                    : suggested(stated, dependency, form.text("answer")))),
                            form, entity.get(), trigger,
                            model, response))
                    .orElseGet(() -> answers.refused(
                            List.of(new Problem("",
                                    "These attributes are no longer all there. Reload to see what is.")),
                            trigger, form, open, model, response));
            case "first-form" -> firstForm(id, open, about, form, trigger, model, response);
            case "key" -> key(id, open, about, form, trigger, model, response);
            default -> carryOut(id, open, about, form, trigger, model, response);
        };
    }

    private static Optional<Stated> read(EntityRelation about, String line) {
        return new DependencyReader(about.relation().attributes())
                .line(line) instanceof DependencyReader.Line.ReadDependency(Dependency dependency)
                        ? Optional.of(about.stated(dependency)) : Optional.empty();
    }

    private static StatedDependencies accepted(StatedDependencies stated, Stated fault, String reason) {
        List<Accepted> next = new ArrayList<>(
                stated.accepted().stream().filter(accepted -> !accepted.fault().equals(fault)).toList());
        if (!reason.isEmpty()) {
            next.add(new Accepted(fault, reason));
        }
        return stated.accepted(next);
    }

    private static StatedDependencies suggested(StatedDependencies stated, Stated dependency, String answer) {
        List<Stated> next = new ArrayList<>(answer.equals("accept") ? stated.stated() : stated.rejected());
        next.add(dependency);
        return answer.equals("accept") ? stated.stated(next) : stated.rejected(next);
    }

    private String kept(EditResult result, EditForm form, EntityId entity, String trigger, Model model,
            HttpServletResponse response) {
        return switch (result) {
            case EditResult.Refused(List<Problem> problems, OpenDesign now) ->
                    answers.refused(problems, trigger, form, now, model, response);
            case EditResult.Kept(OpenDesign before, OpenDesign after) -> {
                DeskModel.strip(model, after, "normalize", entity.value());
                whole(Judged.of(standing(after, entity), Optional.empty()), form, model);
                yield "fragments/normalize-response";
            }
        };
    }

    private String firstForm(String id, OpenDesign open, EntityRelation about, EditForm form, String trigger,
            Model model, HttpServletResponse response) {
        List<FirstFormSigns> signs = FirstFormSigns.of(about.rows());
        int at = form.text("line").matches("\\d{1,4}") ? Integer.parseInt(form.text("line")) : signs.size();
        if (at >= signs.size()) {
            return answers.refused(List.of(new Problem("", "This is no longer so. Reload to see what is.")), trigger,
                    form, open, model, response);
        }
        return switch (FirstForm.of(open.design(), about, signs.get(at), NewId::of)) {
            case ApplyDecomposition.Result.Refused(Problem problem) ->
                    answers.refused(List.of(problem), trigger, form, open, model, response);
            case ApplyDecomposition.Result.Ready ready ->
                    kept(store.edit(id, ready.change()), form, about.entity().id(), trigger, model, response);
        };
    }

    private String key(String id, OpenDesign open, EntityRelation about, EditForm form, String trigger, Model model,
            HttpServletResponse response) {
        List<String> names = Arrays.stream(form.text("columns").split(", ")).toList();
        AttributeSet columns = AttributeSet.of(
                names.stream().mapToInt(about.relation().attributes()::indexOf).filter(place -> place >= 0).toArray());
        return switch (KeyChange.of(open.design(), about, columns)) {
            case ApplyDecomposition.Result.Refused(Problem problem) ->
                    answers.refused(List.of(problem), trigger, form, open, model, response);
            case ApplyDecomposition.Result.Ready ready ->
                    kept(store.edit(id, ready.change()), form, about.entity().id(), trigger, model, response);
        };
    }

    private String carryOut(String id, OpenDesign open, EntityRelation about, EditForm form, String trigger,
            Model model, HttpServletResponse response) {
        Remedy remedy = Remedy.of(about, wanted(form).orElse(NormalForm.THIRD));
        if (!remedy.signature().equals(form.text("signature"))) {
            return answers.refused(List.of(new Problem("",
                    "This is not the remedy of the dependencies that are kept. Look at it again, then carry it out.")),
                    trigger, form, open, model, response);
        }
        return switch (ApplyDecomposition.of(open.design(), remedy.named(names(form)), NewId::of)) {
            case ApplyDecomposition.Result.Refused(Problem problem) ->
                    answers.refused(List.of(problem), trigger, form, open, model, response);
            case ApplyDecomposition.Result.Ready(Design after, Change change, List<EntityId> made, var remarks) -> {
                EditResult result = store.edit(id, change);
                if (result instanceof EditResult.Refused(List<Problem> problems, OpenDesign now)) {
                    yield answers.refused(problems, trigger, form, now, model, response);
                }
                String cards =
                        made.stream().map(EntityId::value).collect(Collectors.joining(",")) + "," + about.entity().id();
                response.setHeader("HX-Redirect", "/designs/" + id + "?lens=tables&sel=" + cards);
                yield "fragments/fault :: fault";
            }
        };
    }

    /** A flat sheet becomes an entity. */
    @PostMapping("/designs/{id}/flat")
    String flat(@PathVariable String id, @RequestParam("file") MultipartFile file,
            @RequestParam Map<String, String> fields,
            @RequestHeader(value = "HX-Trigger", defaultValue = "") String trigger, Model model,
            HttpServletResponse response) throws IOException {
        EditForm form = new EditForm(fields);
        OpenDesign open = store.open(id);
        String fileName =
                Optional.ofNullable(file.getOriginalFilename()).filter(name -> !name.isBlank()).orElse("flat sheet");
        byte[] bytes = file.getBytes();
        CsvRows.Result read = SpreadsheetRows.recognised(bytes) ? SpreadsheetRows.read(bytes, MAX_ROWS)
                : CsvRows.read(new String(bytes, StandardCharsets.UTF_8), MAX_ROWS);
        if (read.fault().isPresent()) {
            return answers
                    .refused(
                            List.of(new Problem("file",
                                    fileName + ", line " + read.fault().get().line() + ": "
                                            + read.fault().get().message() + ".")),
                            trigger, form, open, model, response);
        }
        EntityId entity = new EntityId(NewId.of('e'));
        int bottom = open.design().sheet().places().values().stream().mapToInt(Place::y).max().orElse(-220) + 260;
        EditResult result = store.edit(id, FlatSheet.change(FlatSheet.name(fileName), read.rows(),
                open.design().sheet().id(), new Place(40, bottom), entity, NewId::of));
        if (result instanceof EditResult.Refused(List<Problem> problems, OpenDesign now)) {
            return answers.refused(problems, trigger, form, now, model, response);
        }
        response.setHeader("HX-Redirect", "/designs/" + id + "/normalize?sel=" + entity);
        return "fragments/fault :: fault";
    }

    @GetMapping("/designs/{id}/dependencies.svg")
    ResponseEntity<byte[]> drawing(@PathVariable String id, @RequestParam(defaultValue = "") String sel) {
        return picture(id, sel, "svg", MediaType.valueOf("image/svg+xml"),
                picture -> picture.svg().getBytes(StandardCharsets.UTF_8));
    }

    @GetMapping("/designs/{id}/dependencies.png")
    ResponseEntity<byte[]> pixels(@PathVariable String id, @RequestParam(defaultValue = "") String sel) {
        return picture(id, sel, "png", MediaType.IMAGE_PNG, DependencyPicture::png);
    }

    /** The diagram, the verdict and the remedy with its proof, for paper. */
    @GetMapping("/designs/{id}/dependencies.pdf")
    ResponseEntity<byte[]> paper(@PathVariable String id, @RequestParam(defaultValue = "") String sel) {
        OpenDesign open = store.open(id);
        return chosen(open.design(), sel)
                .map(entity -> ResponseEntity
                        .ok().contentType(MediaType.APPLICATION_PDF).header(HttpHeaders.CONTENT_DISPOSITION,
                                ContentDisposition.attachment()
                                        .filename(FileName.of(entity.name() + " dependencies", "pdf"),
                                                StandardCharsets.UTF_8)
                                        .build().toString())
                        .body(paper.pdf(Judged.of(standing(open, entity.id()), Optional.empty()))))
                .orElseGet(() -> ResponseEntity.notFound().build());
    }

    private ResponseEntity<byte[]> picture(String id, String sel, String ending, MediaType type,
            Function<DependencyPicture, byte[]> file) {
        OpenDesign open = store.open(id);
        return chosen(open.design(), sel).map(entity -> {
            EntityRelation about = relation(open, entity.id());
            return ResponseEntity.ok().contentType(type).header(HttpHeaders.CONTENT_DISPOSITION,
                    ContentDisposition.attachment()
                            .filename(FileName.of(entity.name() + " dependencies", ending), StandardCharsets.UTF_8)
                            .build().toString())
                    .body(file.apply(DependencyPicture.of(about, Verdict.of(about.relation()))));
        }).orElseGet(() -> ResponseEntity.notFound().build());
    }
}
