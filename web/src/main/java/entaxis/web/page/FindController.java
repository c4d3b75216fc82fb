package entaxis.web.page;

import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.NamedType;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.sentence.Sentence;
import entaxis.core.sql.LineCompletion;
import entaxis.web.store.DesignStore;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Finds elements of a design by parts of their names. */
@Controller
class FindController {
    private static final int MAX_COUNT = 40;
    private final DesignStore store;

    FindController(DesignStore store) {
        this.store = store;
    }

    /**
     * Something that was found.
     *
     * @param id   the element to select
     * @param leaf the leaf of the ledger to open with it; empty for the usual one
     * @param what what it is
     */
    record Found(String id, String leaf, String name, String what) { }

    /** What can come next in an attribute line. */
    @PostMapping("/designs/{id}/completions")
    String completions(@PathVariable String id, @RequestParam(defaultValue = "") String text, Model model) {
        model.addAttribute("completion",
                LineCompletion.of(text, store.open(id).design().types().stream().map(NamedType::name).toList()));
        return "fragments/find :: completions";
    }

    @GetMapping("/designs/{id}/find")
    String find(@PathVariable String id, @RequestParam(defaultValue = "") String q, Model model) {
        Design design = store.open(id).design();
        String wanted = q.strip().toLowerCase(Locale.ROOT);
        List<Found> all = new ArrayList<>();
        for (Entity entity : design.entities()) {
            all.add(new Found(entity.id().value(), "", entity.name(), "entity"));
            entity.attributes().forEach(attribute -> all
                    .add(new Found(entity.id().value(), "", attribute.name(), "attribute of " + entity.name())));
        }
        for (Relationship relationship : design.relationships()) {
            all.add(new Found(relationship.id().value(), "", Sentence.of(design, relationship, Side.FIRST).text(),
                    "relationship"));
        }
        design.types().forEach(type -> all.add(new Found("", "types", type.name(), "type")));
        design.assumptions().forEach(assumption -> all.add(new Found(assumption.relationship().value(), "",
                assumption.text(), "assumption " + assumption.number())));
        model.addAttribute("found", all.stream().filter(found -> found.name().toLowerCase(Locale.ROOT).contains(wanted))
                .sorted(Comparator.comparing((Found found) -> !found.name().toLowerCase(Locale.ROOT).startsWith(wanted))
                        .thenComparing(found -> !found.what().equals("entity")))
                .limit(wanted.isEmpty() ? 0 : MAX_COUNT).toList());
        model.addAttribute("wanted", wanted);
        return "fragments/find :: found";
    }
}
