package entaxis.core.change;

import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.RelationshipId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** Edits of the design's facts and of its sheets. */
final class SheetEdits {
    /** Cards further out than this would never be found again. */
    private static final int FARTHEST = 1_000_000;

    private SheetEdits() { }

    static Step facts(Design design, Change.SetFacts edit) {
        Optional<String> name = Rules.name(edit.facts().name(), "the design");
        if (name.isPresent()) {
            return Step.refused(design, "name", name.get());
        }
        Optional<String> title = Rules.text(edit.facts().title(), "The title").or(() -> Rules.text(edit.facts().author(), "The author"));
        return title.isPresent() ? Step.refused(design, "title", title.get()) : Step.done(design.with(edit.facts()));
    }

    static Step paper(Design design, Change.SetPaper edit) {
        return design.sheets().find(edit.sheet()).map(sheet -> Step.done(design.with(sheet.on(edit.paper()))))
                .orElseGet(() -> Step.refused(design, "", "This sheet is no longer there."));
    }

    static Step place(Design design, Change.PlaceCards edit) {
        if (!design.sheets().contains(edit.sheet())) {
            return Step.refused(design, "", "This sheet is no longer there.");
        }
        for (Map.Entry<OwnerId, Place> card : edit.places().entrySet()) {
            boolean there = switch (card.getKey()) {
                case EntityId id -> design.entities().contains(id);
                case RelationshipId id -> design.relationships().contains(id);
            };
            if (!there) {
                return Step.refused(design, "", "A card that was moved is no longer there.");
            }
            if (Math.abs((long) card.getValue().x()) > FARTHEST || Math.abs((long) card.getValue().y()) > FARTHEST) {
                return Step.refused(design, "", "A card cannot lie that far out.");
            }
        }
        Map<OwnerId, Place> places = new HashMap<>(design.sheets().get(edit.sheet()).places());
        places.putAll(edit.places());
        return Step.done(design.with(design.sheets().get(edit.sheet()).withPlaces(places)));
    }
}
