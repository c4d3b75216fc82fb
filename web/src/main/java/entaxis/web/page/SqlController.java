package entaxis.web.page;

import entaxis.core.change.Patch;
import entaxis.core.change.Problem;
import entaxis.core.reading.NotUnderstood;
import entaxis.core.review.Level;
import entaxis.core.schema.Table;
import entaxis.core.sql.AlikeNotes;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.InsertStatements;
import entaxis.core.sql.Script;
import entaxis.core.syntax.ScriptLines;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.targets.Target;
import entaxis.core.update.TypedScript;
import entaxis.web.edit.WrongRequest;
import entaxis.web.review.Reviews;
import entaxis.web.review.ScriptPlaces;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditResult;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
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

/** The SQL desk. */
@Controller
class SqlController {
    private final DesignStore store;
    private final Reviews reviews;

    SqlController(DesignStore store, Reviews reviews) {
        this.reviews = reviews;
        this.store = store;
    }

    /**
     * What the script is asked to be.
     *
     * @param beside  the engine whose script stands beside, if any
     * @param chosen  whether the form was sent, so that a tick that is absent is one that was taken away
     */
    record Asked(String target, String beside, Boolean drop, Boolean absent, Boolean comments, Boolean inside,
            Boolean quote, Boolean rows, ScriptOptions.Letters letters, String schema, Boolean chosen,
            Set<String> tables) {
        Asked {
            target = target == null ? "" : target;
            beside = beside == null ? "" : beside;
            schema = schema == null ? "" : schema;
            letters = letters == null ? ScriptOptions.Letters.AS_NAMED : letters;
            tables = tables == null ? Set.of() : tables;
            chosen = Boolean.TRUE.equals(chosen);
            drop = Boolean.TRUE.equals(drop);
            absent = Boolean.TRUE.equals(absent);
            inside = Boolean.TRUE.equals(inside);
            quote = Boolean.TRUE.equals(quote);
            rows = Boolean.TRUE.equals(rows);
            comments = Boolean.TRUE.equals(comments) || !chosen;
        }

        ScriptOptions options() {
            Optional<String> into = Optional.of(schema.strip())
                    .filter(name -> !name.isEmpty() && name.chars().noneMatch(Character::isISOControl));
            return new ScriptOptions(drop, absent, comments, inside, quote, letters, into,
                    tables.isEmpty() ? Optional.empty() : Optional.of(tables));
        }
    }

    @GetMapping("/designs/{id}/sql")
    String desk(@PathVariable String id, @ModelAttribute("asked") Asked asked,
            @RequestParam(defaultValue = "") String sel,
            @RequestHeader(value = "HX-Request", defaultValue = "false") boolean htmx, Model model) {
        OpenDesign open = store.open(id);
        Target engine = target(open, asked.target());
        Script script = script(open, engine, asked);
        DeskModel.strip(model, open, "sql", sel);
        DeskModel.contents(model, open);
        model.addAttribute("engine", engine);
        model.addAttribute("letters", ScriptOptions.Letters.values());
        model.addAttribute("tables", open.derivation().schema().tables().stream().map(Table::name).toList());
        model.addAttribute("notes", notes(open, engine, script));
        model.addAttribute("summary", script.summary());
        model.addAttribute("findings", AlikeNotes.of(script.findings()));
        model.addAttribute("found", script.findings().size());
        model.addAttribute("empty", script.statements().isEmpty());
        Optional<Target> beside = Optional.of(asked.beside()).filter(name -> !name.isEmpty())
                .map(name -> WrongRequest.unlessRead("beside", name, Target::valueOf))
                .filter(other -> other != engine);
        Optional<Script> other = beside.map(target -> script(open, target, asked));
        model.addAttribute("sides",
                other.map(second -> List.of(new Shown(engine, ScriptLines.beside(script, second)),
                        new Shown(beside.get(), ScriptLines.beside(second, script))))
                .orElseGet(() -> List.of(new Shown(engine, ScriptLines.of(script)))));
        model.addAttribute("besides", AlikeNotes.of(other.map(Script::findings).orElse(List.of())));
        model.addAttribute("foundBeside", other.map(Script::findings).orElse(List.of()).size());
        beside.ifPresent(target -> model.addAttribute("besideEngine", target));
        return htmx ? "sql :: script" : "sql";
    }

    /**
     * What is found, by the number of the line that it is about; of the engine that the design is for alone, and no
     * hints.
     */
    private Map<Integer, String> notes(OpenDesign open, Target engine, Script script) {
        Map<Integer, String> notes = new HashMap<>();
        if (engine != open.design().facts().target()) {
            return notes;
        }
        ScriptPlaces places = new ScriptPlaces(script.text());
        reviews.of(open).findings().stream()
                .filter(finding -> finding.level() != Level.HINT && !finding.about().isEmpty())
                .forEach(finding -> places.line(finding.about().getFirst())
                        .ifPresent(line -> notes.merge(line, finding.sentence(), (one, other) -> one + " " + other)));
        return notes;
    }

    /** The script as text to be edited. */
    @GetMapping("/designs/{id}/sql/text")
    String text(@PathVariable String id, @RequestParam Target target, Model model) {
        OpenDesign open = store.open(id);
        return typed(open, target, new ScriptWriter(Dialect.of(target), ScriptOptions.DEFAULT)
                .write(open.derivation().schema(), title(open)).text(), model);
    }

    private static String typed(OpenDesign open, Target target, String text, Model model) {
        model.addAttribute("open", open);
        model.addAttribute("engine", target);
        model.addAttribute("text", text);
        return "fragments/sql-text :: text";
    }

    private static String title(OpenDesign open) {
        return open.design().facts().name() + ", revision " + open.revision();
    }

    /** Lets the design follow an edited script, as one edit; faults are shown with the text as it was typed. */
    @PostMapping("/designs/{id}/sql/text")
    String follow(@PathVariable String id, @RequestParam Target target, @RequestParam String text,
            @RequestParam(defaultValue = "0") long seen, Model model) {
        OpenDesign open = store.open(id);
        if (seen != open.revision()) {
            model.addAttribute("fault",
                    "The design has changed since this text was written (it is at revision " + open.revision()
                    + " now). Copy what you typed, begin again, and put it in.");
            return typed(open, target, text, model);
        }
        return switch (TypedScript.of(open.design(), target, text, NewId::of)) {
            case TypedScript.Faulty(List<NotUnderstood> faults) -> {
                model.addAttribute("faults", faults);
                yield typed(open, target, text, model);
            }
            case TypedScript.Empty empty -> {
                model.addAttribute("fault",
                        "There is no table in this text, so nothing was changed. To empty a design, delete its "
                                + "entities on the Diagram desk.");
                yield typed(open, target, text, model);
            }
            case TypedScript.Followed followed -> followed(id, open, target, text, followed, model);
        };
    }

    private String followed(String id, OpenDesign open, Target target, String text, TypedScript.Followed followed,
            Model model) {
        if (followed.design().equals(open.design())) {
            model.addAttribute("said",
                    followed.left().isEmpty() ? "The text says what the design says; nothing was changed."
                            : "Nothing of this can be said by the design.");
            model.addAttribute("left", followed.left());
            return typed(open, target, text, model);
        }
        return switch (store.edit(id, Patch.between(open.design(), followed.design()))) {
            case EditResult.Refused(List<Problem> problems, OpenDesign now) -> {
                model.addAttribute("fault", problems.getFirst().message());
                yield typed(now, target, text, model);
            }
            case EditResult.Kept(OpenDesign before, OpenDesign after) -> {
                model.addAttribute("said",
                        "The design follows, as revision " + after.revision() + ". Undo takes it back as a whole.");
                model.addAttribute("changes", followed.changes());
                model.addAttribute("left", followed.left());
                model.addAttribute("keeping", true);
                yield typed(after, target, new ScriptWriter(Dialect.of(target), ScriptOptions.DEFAULT)
                        .write(after.derivation().schema(), title(after)).text(), model);
            }
        };
    }

    /** A script as it is shown. */
    record Shown(Target engine, List<ScriptLines.Line> lines) { }

    @GetMapping("/designs/{id}/script.sql")
    ResponseEntity<String> download(@PathVariable String id, @ModelAttribute Asked asked) {
        OpenDesign open = store.open(id);
        return ResponseEntity.ok().contentType(MediaType.valueOf("application/sql;charset=UTF-8"))
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(FileName.of(open.design().facts().name(), "sql")))
                .body(script(open, target(open, asked.target()), asked).text());
    }

    /** The script cut into one file per table. */
    @GetMapping("/designs/{id}/script.zip")
    ResponseEntity<byte[]> files(@PathVariable String id, @ModelAttribute Asked asked) throws IOException {
        OpenDesign open = store.open(id);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            int number = 0;
            for (Map.Entry<String, String> part : script(open, target(open, asked.target()), asked)
                    .perTable().entrySet()) {
                zip.putNextEntry(new ZipEntry(String.format("%03d_", ++number)
                        + FileName.of(part.getKey().isEmpty() ? "schema" : part.getKey(), "sql")));
                zip.write(part.getValue().getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return ResponseEntity.ok().contentType(MediaType.valueOf("application/zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, attachment(FileName.of(open.design().facts().name(), "zip")))
                .body(bytes.toByteArray());
    }

    private static String attachment(String name) {
        return ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString();
    }

    private static Target target(OpenDesign open, String asked) {
        return asked.isEmpty() ? open.design().facts().target()
                : WrongRequest.unlessRead("target", asked, Target::valueOf);
    }

    private static Script script(OpenDesign open, Target target, Asked asked) {
        Dialect dialect = Dialect.of(target);
        Script script = new ScriptWriter(dialect, asked.options()).write(open.derivation().schema(),
                open.design().facts().name() + ", revision " + open.revision());
        return asked.rows()
                ? script.followedBy(InsertStatements.of(open.derivation().tables(), open.design().rows(), dialect))
                : script;
    }
}
