package entaxis.core.design;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A drawing of the design, or of a part of it.
 *
 * @param places   where cards lie; a many-to-many without a place lies between its entities
 * @param view     what it shows of them; {@link SheetView#DEFAULT} if never decided
 * @param hidden   cards that keep their places but are not shown
 * @param pinned   cards that stay where they are when the sheet is arranged
 * @param lines    what was decided about the ways of lines, by the identity of the line
 * @param notes    texts on it
 * @param pictures pictures on it
 */
public record Sheet(SheetId id, String name, Paper paper, Map<OwnerId, Place> places, Optional<SheetView> view,
        Set<OwnerId> hidden, Set<OwnerId> pinned,
        Map<String, LineShape> lines, Elements<NoteId, Note> notes, Elements<PictureId, Picture> pictures)
        implements Elements.Element<SheetId> {
    /** Copies the collections. */
    public Sheet {
        places = Map.copyOf(places);
        hidden = Set.copyOf(hidden);
        pinned = Set.copyOf(pinned);
        lines = Map.copyOf(lines);
    }

    /** A sheet that shows the usual things. */
    public Sheet(SheetId id, String name, Paper paper, Map<OwnerId, Place> places) {
        this(id, name, paper, places, Optional.empty(), Set.of(), Set.of(), Map.of(), Elements.none(), Elements.none());
    }

    /** The place of a card that is shown. */
    public Optional<Place> place(OwnerId owner) {
        return hidden.contains(owner) ? Optional.empty() : Optional.ofNullable(places.get(owner));
    }

    /** What it shows. */
    public SheetView shows() {
        return view.orElse(SheetView.DEFAULT);
    }

    /** What was decided about the way of a line. */
    public LineShape line(String line) {
        return lines.getOrDefault(line, LineShape.FREE);
    }

    /** The same under another name. */
    public Sheet named(String newName) {
        return new Sheet(id, newName, paper, places, view, hidden, pinned, lines, notes, pictures);
    }

    /** The same with other places. */
    public Sheet withPlaces(Map<OwnerId, Place> newPlaces) {
        return new Sheet(id, name, paper, newPlaces, view, hidden, pinned, lines, notes, pictures);
    }

    /** The same on other paper. */
    public Sheet on(Paper other) {
        return new Sheet(id, name, other, places, view, hidden, pinned, lines, notes, pictures);
    }

    /** The same, showing other things. */
    public Sheet showing(SheetView other) {
        return new Sheet(id, name, paper, places, Optional.of(other), hidden, pinned, lines, notes, pictures);
    }

    /** The same with other cards hidden. */
    public Sheet hiding(Set<OwnerId> cards) {
        return new Sheet(id, name, paper, places, view, cards, pinned, lines, notes, pictures);
    }

    /** The same with other cards pinned. */
    public Sheet pinning(Set<OwnerId> cards) {
        return new Sheet(id, name, paper, places, view, hidden, cards, lines, notes, pictures);
    }

    /** The same with these decisions about the ways of lines instead of all others. */
    public Sheet withLines(Map<String, LineShape> newLines) {
        return new Sheet(id, name, paper, places, view, hidden, pinned, newLines, notes, pictures);
    }

    /** The same with another decision about the way of a line. */
    public Sheet withLine(String line, LineShape shape) {
        Map<String, LineShape> next = new HashMap<>(lines);
        if (shape.equals(LineShape.FREE)) {
            next.remove(line);
        } else {
            next.put(line, shape);
        }
        return new Sheet(id, name, paper, places, view, hidden, pinned, next, notes, pictures);
    }

    /** The same with other notes. */
    public Sheet withNotes(Elements<NoteId, Note> other) {
        return new Sheet(id, name, paper, places, view, hidden, pinned, lines, other, pictures);
    }

    /** The same with other pictures. */
    public Sheet withPictures(Elements<PictureId, Picture> other) {
        return new Sheet(id, name, paper, places, view, hidden, pinned, lines, notes, other);
    }

    /** The same without any trace of a card and, for a relationship, of its lines. */
    public Sheet without(OwnerId owner) {
        Map<OwnerId, Place> restPlaces = new HashMap<>(places);
        restPlaces.remove(owner);
        Map<String, LineShape> restLines = new HashMap<>(lines);
        restLines.keySet().removeIf(line -> line.equals(owner.value()) || line.startsWith(owner.value() + "-"));
        return new Sheet(id, name, paper, restPlaces, view, without(hidden, owner), without(pinned, owner), restLines,
                notes, pictures);
    }

    private static Set<OwnerId> without(Set<OwnerId> cards, OwnerId owner) {
        Set<OwnerId> rest = new HashSet<>(cards);
        rest.remove(owner);
        return rest;
    }
}
