package entaxis.web.page;

import entaxis.core.change.Change;
import entaxis.core.change.Problem;
import entaxis.core.change.SheetAspect;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.LineShape;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import entaxis.drawing.layout.Alignment;
import entaxis.drawing.layout.AutoLayout;
import entaxis.drawing.layout.Laid;
import entaxis.drawing.layout.Snapping;
import entaxis.drawing.layout.Straightening;
import entaxis.drawing.layout.SubjectLayout;
import entaxis.drawing.scene.Card;
import entaxis.drawing.scene.Lens;
import entaxis.drawing.scene.Line;
import entaxis.drawing.scene.Scene;
import entaxis.web.edit.EditForm;
import entaxis.web.sheet.Sheets;
import entaxis.web.store.DesignStore;
import entaxis.web.store.OpenDesign;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Edits of a sheet that need to know how large its cards are. */
@Controller
class LayoutController {
    private final DesignStore store;
    private final Sheets sheets;
    private final Answers answers;

    LayoutController(DesignStore store, Sheets sheets, Answers answers) {
        this.store = store;
        this.sheets = sheets;
        this.answers = answers;
    }

    /**
     * Arranges the whole sheet or the selected cards, all but the pinned ones; laid out with the tables' sizes, so that
     * both lenses have room.
     */
    @PostMapping("/designs/{id}/arrange")
    String arrange(@PathVariable String id, @RequestParam Map<String, String> fields, Model model,
            HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        Sheet sheet = form.sheet(now.design());
        Scene scene = sheets.render(now, Lens.TABLES, sheet).scene();
        Set<OwnerId> some = new LinkedHashSet<>(form.cards("cards"));
        some.removeAll(sheet.pinned());
        boolean whole = some.isEmpty() && sheet.pinned().isEmpty();
        Laid laid = whole ? SubjectLayout.arrange(now.design(), scene)
                : new Laid(some.isEmpty() ? AutoLayout.arrange(scene) : AutoLayout.arrange(scene, some), Map.of());
        Map<OwnerId, Place> places = laid.places();
        List<Change> changes = new ArrayList<>(List.of(new Change.PlaceCards(sheet.id(), places)));
        Map<String, LineShape> ways =
                whole || places.size() != scene.cards().size() ? laid.ways() : AutoLayout.ways(scene);
        ways.forEach((line, shape) -> changes.add(new Change.AlterSheet(sheet.id(), new SheetAspect.Way(line, shape))));
        sheet.lines().forEach((line, shape) -> {
            if (!shape.bends().isEmpty() && !ways.containsKey(line)
                    && scene.lines().stream().anyMatch(drawn -> drawn.id().equals(line) && moved(places, drawn))) {
                changes.add(new Change.AlterSheet(sheet.id(), new SheetAspect.Way(line, LineShape.FREE)));
            }
        });
        return done(now, new Change.Several(changes), form, model, response);
    }

    private static boolean moved(Map<OwnerId, Place> places, Line line) {
        return places.keySet().stream().anyMatch(
                card -> card.value().equals(line.first().card()) || card.value().equals(line.second().card()));
    }

    /** Puts cards in line, or spreads them evenly. */
    @PostMapping("/designs/{id}/align")
    String align(@PathVariable String id, @RequestParam Map<String, String> fields, Model model,
            HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        Sheet sheet = form.sheet(now.design());
        List<OwnerId> wanted = form.cards("cards");
        Scene scene = sheets.render(now, DeskModel.lens(form.text("lens")), sheet).scene();
        List<Card> cards = wanted.stream()
                .flatMap(owner -> scene.cards().stream().filter(card -> card.owner().equals(owner))).toList();
        return done(now, new Change.PlaceCards(sheet.id(), form.read("value", Alignment::valueOf).of(cards)), form,
                model, response);
    }

    /** Lays one card down in line with its neighbours. */
    @PostMapping("/designs/{id}/snap")
    String snap(@PathVariable String id, @RequestParam Map<String, String> fields, Model model,
            HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        Sheet sheet = form.sheet(now.design());
        OwnerId card = form.read("card", OwnerId::of);
        Place wanted = new Place(form.number("x"), form.number("y"));
        Place place =
                Snapping.snapped(sheets.render(now, DeskModel.lens(form.text("lens")), sheet).scene(), card, wanted);
        return done(now, new Change.PlaceCards(sheet.id(), Map.of(card, place)), form, model, response);
    }

    /** Lets the router find a line's way again, and moves a card where only that makes the line straight. */
    @PostMapping("/designs/{id}/straighten")
    String straighten(@PathVariable String id, @RequestParam Map<String, String> fields, Model model,
            HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        Sheet sheet = form.sheet(now.design());
        Map<OwnerId, Place> places = Straightening
                .of(sheets.render(now, DeskModel.lens(form.text("lens")), sheet).scene(), form.text("line"));
        Change free = new Change.AlterSheet(sheet.id(), new SheetAspect.Way(form.text("line"), LineShape.FREE));
        return done(now,
                places.isEmpty() ? free : new Change.Several(List.of(free, new Change.PlaceCards(sheet.id(), places))),
                form, model, response);
    }

    /** Brings entities onto a sheet: named ones, or all that are related to some within one or two steps. */
    @PostMapping("/designs/{id}/bring")
    String bring(@PathVariable String id, @RequestParam Map<String, String> fields, Model model,
            HttpServletResponse response) {
        EditForm form = new EditForm(fields);
        OpenDesign now = store.open(id);
        Design design = now.design();
        Sheet sheet = form.sheet(design);
        int steps = form.text("steps").matches("[012]") ? Integer.parseInt(form.text("steps")) : 0;
        Set<EntityId> wanted =
                design.within(form.cards("cards").stream().filter(EntityId.class::isInstance).map(EntityId.class::cast)
                .filter(design.entities()::contains).toList(), steps);
        Map<OwnerId, Place> added = new LinkedHashMap<>();
        Place near =
                wanted.stream().flatMap(entity -> sheet.place(entity).stream()).findFirst().orElse(new Place(60, 60));
        wanted.stream().filter(entity -> sheet.place(entity).isEmpty())
                .forEach(entity -> added.put(entity, Optional.ofNullable(sheet.places().get(entity)).orElse(near)));
        if (added.isEmpty()) {
            return answers.refused(List.of(new Problem("", "All of them are on this sheet already.")), "", form, now,
                    model, response);
        }
        Map<OwnerId, Place> places = new HashMap<>(sheet.places());
        places.putAll(added);
        Set<OwnerId> shown = new HashSet<>(sheet.hidden());
        shown.removeAll(added.keySet());
        Sheet laid = sheet.withPlaces(places).hiding(shown);
        Set<OwnerId> fresh = new LinkedHashSet<>(added.keySet());
        fresh.removeAll(sheet.places().keySet());
        if (!fresh.isEmpty()) {
            added.putAll(AutoLayout.arrange(sheets.scene(design.with(laid), Lens.TABLES, laid), fresh));
        }
        return done(now, new Change.PlaceCards(sheet.id(), added), form, model, response);
    }

    private String done(OpenDesign now, Change change, EditForm form, Model model, HttpServletResponse response) {
        return answers.answer(store.edit(now.id(), change), form, Optional.empty(), "", model, response);
    }
}
