package entaxis.core.normalize;

import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** New cards beside one that is there, on every sheet that shows it, where nothing lies yet. */
final class Beside {
    private static final int STEP_X = 300;
    private static final int STEP_Y = 230;
    private static final int NEAR = 20;

    private Beside() { }

    static Design lay(Design design, EntityId there, List<EntityId> made) {
        Design next = design;
        for (Sheet sheet : design.sheets()) {
            Optional<Place> here = sheet.place(there);
            if (here.isEmpty()) {
                continue;
            }
            Map<OwnerId, Place> places = new HashMap<>(sheet.places());
            int tried = 0;
            for (EntityId card : made) {
                Place place;
                do {
                    tried++;
                    place = new Place(here.get().x() - STEP_X * (2 - tried % 2),
                            here.get().y() + STEP_Y * ((tried + 1) / 2 - 1));
                } while (taken(place, places));
                places.put(card, place);
            }
            next = next.with(sheet.withPlaces(places));
        }
        return next;
    }

    private static boolean taken(Place place, Map<OwnerId, Place> places) {
        return places.values().stream().anyMatch(other -> Math.abs(other.x() - place.x()) < STEP_X - NEAR
                && Math.abs(other.y() - place.y()) < STEP_Y - NEAR);
    }
}
