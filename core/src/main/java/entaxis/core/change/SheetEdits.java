package entaxis.core.change;

import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.LineShape;
import entaxis.core.design.Note;
import entaxis.core.design.NoteId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Picture;
import entaxis.core.design.PictureId;
import entaxis.core.design.Place;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.SheetView;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Edits of the design's facts and of its sheets. */
final class SheetEdits {
    /** Cards further out than this would never be found again. */
    private static final int FARTHEST = 1_000_000;
    private static final int MAX_COUNT = 100;
    private static final int MAX_BENDS = 40;
    private static final int SMALLEST = 20;
    private static final int WIDEST = 5000;

    private SheetEdits() { }

    static EditStep facts(Design design, Change.SetFacts edit) {
        Optional<String> name = Invariants.name(edit.facts().name(), "the design");
        if (name.isPresent()) {
            return EditStep.refused(design, "name", name.get());
        }
        Optional<String> title =
                Invariants.text(edit.facts().title(), "The title").or(() -> Invariants.text(edit.facts().author(),
                        "The author"));
        return title.isPresent() ? EditStep.refused(design, "title", title.get())
                : EditStep.done(design.with(edit.facts()));
    }

    static EditStep paper(Design design, Change.SetPaper edit) {
        return design.sheets().find(edit.sheet()).map(sheet -> EditStep.done(design.with(sheet.on(edit.paper()))))
                .orElseGet(() -> EditStep.refused(design, "", "This sheet is no longer there."));
    }

    static EditStep place(Design design, Change.PlaceCards edit) {
        if (!design.sheets().contains(edit.sheet())) {
            return EditStep.refused(design, "", "This sheet is no longer there.");
        }
        for (Map.Entry<OwnerId, Place> card : edit.places().entrySet()) {
            boolean there = switch (card.getKey()) {
                case EntityId id -> design.entities().contains(id);
                case RelationshipId id -> design.relationships().contains(id);
            };
            if (!there) {
                return EditStep.refused(design, "", "A card that was moved is no longer there.");
            }
            if (far(card.getValue())) {
                return EditStep.refused(design, "", "A card cannot lie that far out.");
            }
        }
        Sheet sheet = design.sheets().get(edit.sheet());
        Map<OwnerId, Place> places = new HashMap<>(sheet.places());
        places.putAll(edit.places());
        Set<OwnerId> hidden = new HashSet<>(sheet.hidden());
        boolean shownAgain = hidden.removeAll(edit.places().keySet());
        Sheet laid = sheet.withPlaces(places);
        return EditStep.done(design.with(shownAgain ? laid.hiding(hidden) : laid));
    }

    static EditStep add(Design design, Sheet sheet) {
        if (design.sheets().contains(sheet.id())) {
            return EditStep.refused(design, "", "This sheet has been added already.");
        }
        if (design.sheets().size() >= MAX_COUNT) {
            return EditStep.refused(design, "", "A design has " + MAX_COUNT + " sheets at most.");
        }
        return named(design, sheet, sheet.name());
    }

    private static EditStep named(Design design, Sheet sheet, String typed) {
        String name = typed.strip();
        Optional<String> fault = Invariants.name(name, "the sheet").or(() -> design.sheets().stream()
                .filter(other -> !other.id().equals(sheet.id()) && other.name().equalsIgnoreCase(name)).findFirst()
                .map(other -> "There is a sheet “" + other.name() + "” already. Choose another name."));
        return fault.map(message -> EditStep.refused(design, "name", message))
                .orElseGet(() -> EditStep.done(design.with(sheet.named(name))));
    }

    static EditStep remove(Design design, SheetId sheet) {
        if (!design.sheets().contains(sheet)) {
            return EditStep.refused(design, "", "This sheet is no longer there.");
        }
        return design.sheets().size() == 1
                ? EditStep.refused(design, "", "A design has at least one sheet. Add another one first.")
                : EditStep.done(design.withSheets(design.sheets().without(sheet)));
    }

    static EditStep alter(Design design, Change.AlterSheet edit) {
        Optional<Sheet> found = design.sheets().find(edit.sheet());
        if (found.isEmpty()) {
            return EditStep.refused(design, "", "This sheet is no longer there.");
        }
        Sheet sheet = found.get();
        return switch (edit.aspect()) {
            case SheetAspect.Name(String name) -> named(design, sheet, name);
            case SheetAspect.Shows(SheetView view) -> EditStep.done(design.with(sheet.showing(view)));
            case SheetAspect.Hidden(Set<OwnerId> cards, boolean hidden) ->
                    EditStep.done(design.with(sheet.hiding(changed(sheet.hidden(), cards, hidden))));
            case SheetAspect.Pinned(Set<OwnerId> cards, boolean pinned) ->
                    EditStep.done(design.with(sheet.pinning(changed(sheet.pinned(), cards, pinned))));
            case SheetAspect.TakenOff(Set<OwnerId> cards) -> {
                Sheet rest = sheet;
                for (OwnerId card : cards) {
                    rest = rest.without(card);
                }
                yield EditStep.done(design.with(rest));
            }
            case SheetAspect.Way(String line, LineShape shape) -> way(design, sheet, line, shape);
            case SheetAspect.PutNote(Note note) -> note(design, sheet, note);
            case SheetAspect.RemoveNote(NoteId note) ->
                    EditStep.done(design.with(sheet.withNotes(sheet.notes().without(note))));
            case SheetAspect.PutPicture(Picture picture) -> picture(design, sheet, picture);
            case SheetAspect.RemovePicture(PictureId picture) ->
                    EditStep.done(design.with(sheet.withPictures(sheet.pictures().without(picture))));
        };
    }

    private static Set<OwnerId> changed(Set<OwnerId> cards, Set<OwnerId> some, boolean among) {
        Set<OwnerId> next = new HashSet<>(cards);
        if (among) {
            next.addAll(some);
        } else {
            next.removeAll(some);
        }
        return next;
    }

    private static EditStep way(Design design, Sheet sheet, String line, LineShape shape) {
        String relationship = line.replaceFirst("-(first|second)$", "");
        if (!relationship.matches("r[0-9a-z]{1,24}")
                || !design.relationships().contains(new RelationshipId(relationship))) {
            return EditStep.refused(design, "", "This line is no longer there.");
        }
        if (shape.bends().size() > MAX_BENDS || shape.bends().stream().anyMatch(SheetEdits::far)) {
            return EditStep.refused(design, "", "A line cannot run that far, or bend that often.");
        }
        return EditStep.done(design.with(sheet.withLine(line, shape)));
    }

    private static EditStep note(Design design, Sheet sheet, Note note) {
        Optional<String> fault =
                note.text().isBlank() ? Optional.of("The note is empty. Write something, or delete it.")
                        : Invariants.text(note.text(), "The note");
        boolean sized = note.width() >= SMALLEST && note.width() <= WIDEST && !far(note.place());
        if (fault.isPresent() || !sized || sheet.notes().size() >= MAX_COUNT && !sheet.notes().contains(note.id())) {
            return EditStep.refused(design, "note", fault.orElse(
                    "A note is " + SMALLEST + " to " + WIDEST + " wide, and a sheet has " + MAX_COUNT + " at most."));
        }
        return EditStep.done(design.with(sheet.withNotes(sheet.notes().with(note))));
    }

    private static EditStep picture(Design design, Sheet sheet, Picture picture) {
        boolean sized = picture.width() >= SMALLEST && picture.width() <= WIDEST && picture.height() >= SMALLEST
                && picture.height() <= WIDEST && !far(picture.place());
        Optional<String> fault = Invariants.text(picture.title(), "The title");
        if (fault.isPresent() || !sized
                || sheet.pictures().size() >= MAX_COUNT && !sheet.pictures().contains(picture.id())) {
            return EditStep.refused(design, "picture", fault.orElse("A picture is " + SMALLEST + " to " + WIDEST
                    + " wide and high, and a sheet has " + MAX_COUNT + " at most."));
        }
        return EditStep.done(design.with(sheet.withPictures(sheet.pictures().with(picture))));
    }

    private static boolean far(Place place) {
        return Math.abs((long) place.x()) > FARTHEST || Math.abs((long) place.y()) > FARTHEST;
    }
}
