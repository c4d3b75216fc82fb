package entaxis.core.design;

import java.util.Map;
import java.util.Optional;

/**
 * A drawing of the design, or of a part of it.
 *
 * @param places where cards lie; a many-to-many without a place lies between its entities
 */
public record Sheet(SheetId id, String name, Paper paper, Map<OwnerId, Place> places) implements Elements.Element<SheetId> {
    /** Copies the places. */
    public Sheet {
        places = Map.copyOf(places);
    }

    /** The place of a card, if it has one. */
    public Optional<Place> place(OwnerId owner) {
        return Optional.ofNullable(places.get(owner));
    }

    /** The same with other places. */
    public Sheet withPlaces(Map<OwnerId, Place> newPlaces) {
        return new Sheet(id, name, paper, newPlaces);
    }

    /** The same on other paper. */
    public Sheet on(Paper other) {
        return new Sheet(id, name, other, places);
    }
}
