package entaxis.web.edit;

import entaxis.core.change.Change;
import entaxis.core.change.SheetAspect;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.CardSide;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.LineShape;
import entaxis.core.design.Notation;
import entaxis.core.design.Note;
import entaxis.core.design.NoteId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Paper;
import entaxis.core.design.Picture;
import entaxis.core.design.PictureId;
import entaxis.core.design.Place;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.SheetView;
import entaxis.web.store.NewId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads edits of a sheet and of what lies on it. */
final class SheetEditReader {
    private static final Pattern CORNER = Pattern.compile("(-?\\d{1,7}),(-?\\d{1,7})");
    private static final int NOTE_WIDTH = 240;

    private final Design design;
    private final EditForm form;
    private final Sheet sheet;

    SheetEditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
        this.sheet = form.sheet(design);
    }

    EditReading read() {
        SheetView view = sheet.shows();
        return switch (form.kind()) {
            case SHEET_ADD -> added();
            case SHEET_NAME -> aspect(new SheetAspect.Name(form.value()));
            case SHEET_REMOVE -> EditReader.plain(new Change.RemoveSheet(sheet.id()));
            case SHEET_PAPER -> paper();
            case SHEET_NOTATION -> shows(view.with(Notation.valueOf(form.value())));
            case SHEET_DETAIL -> shows(view.with(SheetView.Detail.valueOf(form.value())));
            case SHEET_TYPES -> shows(view.with(SheetView.Types.valueOf(form.value())));
            case SHEET_COMMENTS -> shows(view.withComments(form.yes()));
            case SHEET_INDEXES -> shows(view.withIndexes(form.yes()));
            case SHEET_FRAME -> shows(view.withFrame(form.yes()));
            case SHEET_TITLE -> shows(view.withTitleBlock(form.yes()));
            case CARDS_HIDE -> aspect(new SheetAspect.Hidden(cards(), true));
            case CARDS_SHOW ->
                    aspect(new SheetAspect.Hidden(form.text("cards").isEmpty() ? sheet.hidden() : cards(), false));
            case CARDS_OFF -> new EditReading.Read(
                    new Change.AlterSheet(sheet.id(), new SheetAspect.TakenOff(cards())), Optional.of(""));
            case CARDS_PIN -> aspect(new SheetAspect.Pinned(cards(), form.yes()));
            case CARDS_AREA -> area();
            case CARDS_REMOVE -> new EditReading.Read(
                    new Change.Several(form.cards("cards").stream().filter(EntityId.class::isInstance)
                    .<Change>map(id -> new Change.RemoveEntity((EntityId) id)).toList()), Optional.of(""));
            case LINE_SIDE ->
                    aspect(new SheetAspect.Way(form.text("line"), sheet.line(form.text("line")).leaving(form.side(),
                    form.value().isEmpty() ? Optional.empty() : Optional.of(CardSide.valueOf(form.value())))));
            case LINE_WAY -> way();
            case LINE_CORNERS -> corners();
            case NOTE_ADD ->
                    note(new NoteId(NewId.of('n')), new Place(form.number("x"), form.number("y")), NOTE_WIDTH, true);
            case NOTE_TEXT -> note(noteNow().id(), noteNow().place(), noteNow().width(), false);
            case NOTE_WIDTH -> aspect(new SheetAspect.PutNote(
                    new Note(noteNow().id(), noteNow().text(), noteNow().place(), form.number("value"))));
            case NOTE_REMOVE -> new EditReading.Read(
                    new Change.AlterSheet(sheet.id(), new SheetAspect.RemoveNote(new NoteId(form.text("note")))),
                    Optional.of(""));
            case PICTURE_TITLE -> picture(form.value().strip(), pictureNow().width());
            case PICTURE_WIDTH -> picture(pictureNow().title(), form.number("value"));
            case PICTURE_REMOVE -> new EditReading.Read(new Change.AlterSheet(sheet.id(),
                    new SheetAspect.RemovePicture(new PictureId(form.text("picture")))), Optional.of(""));
            default -> throw form.unknown();
        };
    }

    private EditReading aspect(SheetAspect aspect) {
        return EditReader.plain(new Change.AlterSheet(sheet.id(), aspect));
    }

    private EditReading shows(SheetView view) {
        return aspect(new SheetAspect.Shows(view));
    }

    private Set<OwnerId> cards() {
        return Set.copyOf(form.cards("cards"));
    }

    private EditReading added() {
        String name = form.value().isBlank() ? "Sheet " + (design.sheets().size() + 1) : form.value().strip();
        Map<OwnerId, Place> places = new HashMap<>();
        form.cards("cards").forEach(
                card -> Optional.ofNullable(sheet.places().get(card)).ifPresent(place -> places.put(card, place)));
        return EditReader
                .plain(new Change.AddSheet(new Sheet(new SheetId(NewId.of('p')), name, sheet.paper(), places)));
    }

    private EditReading paper() {
        Paper now = sheet.paper();
        return EditReader.plain(new Change.SetPaper(sheet.id(), switch (form.value()) {
            case "landscape" -> new Paper(now.size(), true);
            case "upright" -> new Paper(now.size(), false);
            default -> new Paper(Paper.Size.valueOf(form.value()), now.landscape());
        }));
    }

    private EditReading area() {
        String name = form.value().strip();
        List<Change> changes = new ArrayList<>();
        Optional<AreaId> area =
                design.areas().stream().filter(other -> other.name().equalsIgnoreCase(name)).findFirst().map(Area::id);
        if (!name.isEmpty() && area.isEmpty()) {
            Area added = new Area(new AreaId(NewId.of('s')), name, design.areas().size() % Area.HUES);
            changes.add(new Change.AddArea(added));
            area = Optional.of(added.id());
        }
        for (OwnerId card : form.cards("cards")) {
            if (card instanceof EntityId entity) {
                changes.add(new Change.AssignArea(entity, area));
            }
        }
        return EditReader.plain(new Change.Several(changes));
    }

    /** Corners as {@code x,y;x,y}, and the sides between which they lead. */
    private EditReading way() {
        List<Place> bends = new ArrayList<>();
        for (String corner : form.value().split(";")) {
            Matcher matcher = CORNER.matcher(corner);
            if (!matcher.matches()) {
                throw new WrongRequest("no such corner");
            }
            bends.add(new Place(Integer.parseInt(matcher.group(1)), Integer.parseInt(matcher.group(2))));
        }
        return aspect(
                new SheetAspect.Way(form.text("line"), new LineShape(Optional.of(CardSide.valueOf(form.text("from"))),
                        Optional.of(CardSide.valueOf(form.text("to"))), bends)));
    }

    /** Corners as somebody types them; none for a free way. */
    private EditReading corners() {
        List<Place> bends = new ArrayList<>();
        for (String corner : form.value().isBlank() ? new String[0] : form.value().strip().split("\\s*;\\s*")) {
            Matcher matcher = CORNER.matcher(corner.replaceAll("\\s", ""));
            if (!matcher.matches()) {
                return EditReading.Faulty.of("corners", "“" + corner
                        + "” is no corner. Type two whole numbers for each, as in: 120,80; 120,300. Empty the field "
                        + "for a free way.");
            }
            bends.add(new Place(Integer.parseInt(matcher.group(1)), Integer.parseInt(matcher.group(2))));
        }
        LineShape now = sheet.line(form.text("line"));
        return aspect(new SheetAspect.Way(form.text("line"), new LineShape(now.first(), now.second(), bends)));
    }

    private Note noteNow() {
        return sheet.notes().find(new NoteId(form.text("note")))
                .orElseGet(() -> new Note(new NoteId("nnone"), "", new Place(0, 0), NOTE_WIDTH));
    }

    private EditReading note(NoteId id, Place place, int width, boolean select) {
        Change change = new Change.AlterSheet(sheet.id(),
                new SheetAspect.PutNote(new Note(id, form.value().strip(), place, width)));
        return new EditReading.Read(change, select ? Optional.of(id.value()) : Optional.empty());
    }

    private Picture pictureNow() {
        return sheet.pictures().get(new PictureId(form.text("picture")));
    }

    private EditReading picture(String title, int width) {
        Picture now = pictureNow();
        int height = Math.max(1, Math.round((float) width * now.height() / now.width()));
        return aspect(
                new SheetAspect.PutPicture(new Picture(now.id(), now.content(), title, now.place(), width, height)));
    }
}
