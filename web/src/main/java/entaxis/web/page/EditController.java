package entaxis.web.page;

import entaxis.core.change.Change;
import entaxis.core.change.Copying;
import entaxis.core.change.Problem;
import entaxis.core.design.EntityId;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import entaxis.web.edit.EditForm;
import entaxis.web.edit.EditKind;
import entaxis.web.edit.EditReader;
import entaxis.web.edit.EditReading;
import entaxis.web.edit.EditReading.Faulty;
import entaxis.web.edit.EditReading.Read;
import entaxis.web.store.DesignStore;
import entaxis.web.store.EditOrigin;
import entaxis.web.store.EditResult;
import entaxis.web.store.NewId;
import entaxis.web.store.OpenDesign;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** Edits: each is one form. */
@Controller
class EditController {
    private static final Pattern COPIED = Pattern.compile("entaxis:(d[0-9a-z]{1,24}):((?:e[0-9a-z]{1,24},?)+)");
    private final DesignStore store;
    private final Answers answers;

    EditController(DesignStore store, Answers answers) {
        this.store = store;
        this.answers = answers;
    }

    @PostMapping("/designs/{id}/edits")
    String edit(@PathVariable String id, @RequestParam Map<String, String> fields,
            @RequestHeader(value = "HX-Trigger", defaultValue = "") String trigger,
            Model model, HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        Answers.checkSeen(form, now);
        EditReading reading =
                form.kind() == EditKind.ENTITIES_PASTE ? paste(now, form) : EditReader.read(now.design(), form);
        return switch (reading) {
            case Faulty(List<Problem> problems) -> answers.refused(problems, trigger, form, now, model, response);
            case Read(Change change, Optional<String> select) ->
                    answers.answer(store.edit(id, change, new EditOrigin(form.text("window"), Answers.seen(form))),
                            form, select, trigger, model, response);
        };
    }

    @PostMapping("/designs/{id}/undo")
    String undo(@PathVariable String id, @RequestParam Map<String, String> fields, Model model,
            HttpServletResponse response) {
        return answers.answer(store.undo(id), new EditForm(fields), Optional.empty(), "", model, response);
    }

    @PostMapping("/designs/{id}/redo")
    String redo(@PathVariable String id, @RequestParam Map<String, String> fields, Model model,
            HttpServletResponse response) {
        return answers.answer(store.redo(id), new EditForm(fields), Optional.empty(), "", model, response);
    }

    /** Entities that were copied, in this design or another one. */
    private EditReading paste(OpenDesign now, EditForm form) {
        Matcher matcher = COPIED.matcher(form.value().strip());
        if (!matcher.matches()) {
            return Faulty.of("value",
                    "What was copied is no set of entities. Select entities, press Ctrl+C, then paste here.");
        }
        OpenDesign source = store.open(matcher.group(1));
        List<EntityId> entities = Arrays.stream(matcher.group(2).split(",")).map(EntityId::new)
                .filter(source.design().entities()::contains).toList();
        if (entities.isEmpty()) {
            return Faulty.of("value", "The entities that were copied are no longer there.");
        }
        List<String> made = new ArrayList<>();
        Change change = Copying.into(now.design(), source.design(), entities, form.sheet(now.design()).id(),
                new Place(form.number("x"), form.number("y")), kind -> {
                    String fresh = NewId.of(kind);
                    if (kind == 'e') {
                        made.add(fresh);
                    }
                    return fresh;
                });
        return new Read(change, Optional.of(String.join(",", made)));
    }

    /** Entities copied from one design into another one. */
    @PostMapping("/designs/{id}/copies")
    String copies(@PathVariable String id, @RequestParam Map<String, String> fields,
            @RequestHeader(value = "HX-Trigger", defaultValue = "") String trigger,
            Model model, HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign source = store.open(id);
        OpenDesign target = store.open(form.text("to"));
        List<EntityId> entities =
                form.cards("cards").stream().filter(EntityId.class::isInstance).map(EntityId.class::cast).toList();
        Sheet sheet = target.design().sheet();
        int bottom = sheet.places().values().stream().mapToInt(Place::y).max().orElse(-200) + 260;
        EditResult result = store.edit(target.id(),
                Copying.into(target.design(), source.design(), entities, sheet.id(), new Place(40, bottom), NewId::of));
        if (result instanceof EditResult.Refused refused) {
            return answers.refused(refused.problems(), trigger, form, source, model, response);
        }
        model.addAttribute("message", entities.size() + " copied into “" + target.design().facts().name() + "”.");
        return "fragments/fault :: done";
    }
}
