package entaxis.web.edit;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.change.SheetAspect;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyRanks;
import entaxis.core.design.Note;
import entaxis.core.design.NoteId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Picture;
import entaxis.core.design.PictureId;
import entaxis.core.design.Place;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.sentence.Counts;
import entaxis.core.sentence.NewRelationships;
import entaxis.core.sql.AttributeLine;
import entaxis.core.sql.AttributeLineReader;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import entaxis.core.type.TypeReading.Unknown;
import entaxis.web.edit.EditReading.Faulty;
import entaxis.web.edit.EditReading.Read;
import entaxis.web.store.NewId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a form as one change of a design. */
public final class EditReader {
    private static final Pattern KEY = Pattern.compile("(?i)(\\d{1,3})?((?:[\\s,;]*AK\\d{1,2})*)");
    private static final Pattern ALTERNATE = Pattern.compile("(?i)AK(\\d+)");
    private static final Pattern CARD = Pattern.compile("([erni][0-9a-z]{1,24}):(-?\\d{1,7}),(-?\\d{1,7})");
    private static final Pattern GENERATED = Pattern.compile("(?i)generated\\b");
    private static final Pattern CONSTRAINT = Pattern.compile("(?i)constraint\\b");

    private final Design design;
    private final EditForm form;

    private EditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    /**
     * Reads a form.
     *
     * @throws WrongRequest if the form is not one that a page of this application sends
     */
    public static EditReading read(Design design, EditForm form) {
        return WrongRequest.unlessRead("edit", () -> new EditReader(design, form).read());
    }

    private EditReading read() {
        return switch (form.kind()) {
            case FACTS_NAME -> facts(design.facts().named(form.value().strip()));
            case FACTS_TARGET -> facts(design.facts().on(Target.valueOf(form.value())));
            case FACTS_TITLE -> facts(design.facts().titled(form.value().strip()));
            case FACTS_AUTHOR -> facts(design.facts().by(form.value().strip()));
            case ENTITY_ADD -> addEntity();
            case ENTITY_NAME -> plain(new Change.RenameEntity(form.entity(), form.value()));
            case ENTITY_MEANING -> plain(new Change.DescribeEntity(form.entity(), form.value()));
            case ENTITY_AREA -> area();
            case ENTITY_REMOVE -> new Read(new Change.RemoveEntity(form.entity()), Optional.of(""));
            case ATTRIBUTE_ADD -> addAttributes();
            case ATTRIBUTE_NAME -> aspect(new AttributeAspect.Name(form.value()));
            case ATTRIBUTE_TYPE -> type();
            case ATTRIBUTE_REQUIRED -> aspect(new AttributeAspect.Required(form.yes()));
            case ATTRIBUTE_DEFAULT -> defaultValue();
            case ATTRIBUTE_CHECK -> check();
            case ATTRIBUTE_MEANING -> aspect(new AttributeAspect.Meaning(form.value()));
            case ATTRIBUTE_KEY -> keys();
            case ATTRIBUTE_MOVE -> plain(new Change.MoveMember(form.owner(), form.part(), form.number("by")));
            case ATTRIBUTE_REMOVE -> plain(new Change.RemoveAttribute(form.owner(), form.attribute()));
            case RELATIONSHIP_ADD -> addRelationship();
            case RELATIONSHIP_VERB -> aspect(new RelationshipAspect.Verb(form.side(), form.value()));
            case RELATIONSHIP_MANY -> Counts.read(form.value())
                    .<EditReading>map(count -> aspect(new RelationshipAspect.HowMany(form.side(), count)))
                    .orElseGet(() -> Faulty.of("many", "“" + form.value().strip()
                            + "” is no number. Say exactly one, zero or one, one or more, zero or more, or numbers "
                            + "such as 2 to 5."));
            case RELATIONSHIP_IDENTIFYING -> aspect(new RelationshipAspect.Identifying(form.yes()));
            case RELATIONSHIP_ROLE -> aspect(new RelationshipAspect.Role(form.side(), form.value()));
            case RELATIONSHIP_COLUMN -> column();
            case RELATIONSHIP_DELETE ->
                    aspect(new RelationshipAspect.OnDelete(ReferentialAction.valueOf(form.value())));
            case RELATIONSHIP_UPDATE ->
                    aspect(new RelationshipAspect.OnUpdate(ReferentialAction.valueOf(form.value())));
            case RELATIONSHIP_NAME -> aspect(new RelationshipAspect.Name(form.value()));
            case RELATIONSHIP_CHILD -> aspect(new RelationshipAspect.Child(Side.valueOf(form.value())));
            case RELATIONSHIP_TURN -> plain(new Change.SwapEnds(form.relationship()));
            case RELATIONSHIP_REMOVE -> new Read(new Change.RemoveRelationship(form.relationship()), Optional.of(""));
            case CARDS_PLACE -> place();
            default -> elsewhere();
        };
    }

    private EditReading elsewhere() {
        return switch (form.kind().subject()) {
            case "sheet", "cards", "line", "note", "picture" -> new SheetEditReader(design, form).read();
            case "table", "key" -> new TableEditReader(design, form).read();
            case "type", "naming" -> new TypeEditReader(design, form).read();
            case "finding" -> new FindingEditReader(design, form).read();
            case "dictionary" -> new DictionaryEditReader(form).read();
            case "category", "exclusion", "assumption" -> new KindEditReader(design, form).read();
            default -> new RelatedEditReader(design, form).read();
        };
    }

    static Read plain(Change change) {
        return new Read(change, Optional.empty());
    }

    private static EditReading facts(DesignProperties facts) {
        return plain(new Change.SetFacts(facts));
    }

    private EditReading addEntity() {
        EntityId id = new EntityId(NewId.of('e'));
        return new Read(new Change.AddEntity(Entity.named(id, form.value()), form.sheet(design).id(),
                new Place(form.number("x"), form.number("y"))), Optional.of(id.value()));
    }

    private EditReading area() {
        String name = form.value().strip();
        if (name.isEmpty()) {
            return plain(new Change.AssignArea(form.entity(), Optional.empty()));
        }
        Optional<AreaId> present =
                design.areas().stream().filter(area -> area.name().equalsIgnoreCase(name)).findFirst().map(Area::id);
        if (present.isPresent()) {
            return plain(new Change.AssignArea(form.entity(), present));
        }
        Area added = new Area(new AreaId(NewId.of('s')), name, design.areas().size() % Area.HUES);
        return plain(new Change.Several(
                List.of(new Change.AddArea(added), new Change.AssignArea(form.entity(), Optional.of(added.id())))));
    }

    private EditReading addAttributes() {
        List<AttributeLine.Reading> readings = AttributeLineReader.readAll(form.value(), design::typeNamed);
        List<Change.NewAttribute> added = new ArrayList<>();
        for (AttributeLine.Reading reading : readings) {
            switch (reading) {
                case AttributeLine.Fault(int line, int column, String message) -> {
                    return Faulty.of("value", (readings.size() > 1 ? "Line " + line + ", character " : "Character ")
                            + column + ": " + message);
                }
                case AttributeLine.Understood(AttributeLine line) -> added.add(new Change.NewAttribute(
                        line.attribute(new AttributeId(NewId.of('a'))), line.primaryKey(), line.unique()));
            }
        }
        return added.isEmpty()
                ? Faulty.of("value", "Type an attribute, as in: received_on date not null -- day it reached us")
                : plain(new Change.AddAttributes(form.owner(), added));
    }

    private EditReading aspect(AttributeAspect aspect) {
        return plain(new Change.AlterAttribute(form.owner(), form.attribute(), aspect));
    }

    private EditReading aspect(RelationshipAspect aspect) {
        return plain(new Change.AlterRelationship(form.relationship(), aspect));
    }

    private EditReading type() {
        return switch (TypeReader.read(form.value(), design::typeNamed)) {
            case Known(SqlType type) -> aspect(new AttributeAspect.Type(type));
            case Unknown(String message) -> Faulty.of("type", message);
        };
    }

    /** The default field also takes the words that make the engine number or compute the attribute. */
    private EditReading defaultValue() {
        String text = form.value().strip();
        Attribute now = design.attribute(form.owner(), form.attribute())
                .orElse(Attribute.of(form.attribute(), "", SqlType.largeText()));
        Identity identity = Identity.NONE;
        Optional<Numbering> numbering = Optional.empty();
        Optional<String> generated = Optional.empty();
        if (GENERATED.matcher(text).lookingAt()) {
            switch (AttributeLineReader.read("x integer " + text)) {
                case AttributeLine.Fault(int line, int column, String message) -> {
                    return Faulty.of("default", message);
                }
                case AttributeLine.Understood(AttributeLine line) -> {
                    identity = line.identity();
                    numbering = line.numbering();
                    generated = line.generated();
                }
            }
        } else if (AttributeLineReader.expressionFault(text).isPresent()) {
            return Faulty.of("default", AttributeLineReader.expressionFault(text).get());
        }
        boolean made = identity != Identity.NONE || generated.isPresent();
        List<Change> changes = new ArrayList<>();
        boolean wasMade = now.identity() != Identity.NONE || now.generated().isPresent();
        if (wasMade) {
            changes.add(alter(new AttributeAspect.Numbers(Identity.NONE, Optional.empty())));
            changes.add(alter(new AttributeAspect.Generated(Optional.empty())));
        }
        changes.add(alter(new AttributeAspect.Default(made || text.isEmpty() ? Optional.empty() : Optional.of(text))));
        if (identity != Identity.NONE) {
            changes.add(alter(new AttributeAspect.Numbers(identity, numbering)));
        }
        if (generated.isPresent()) {
            changes.add(alter(new AttributeAspect.Generated(generated)));
        }
        return plain(changes.size() == 1 ? changes.getFirst() : new Change.Several(changes));
    }

    private Change alter(AttributeAspect aspect) {
        return new Change.AlterAttribute(form.owner(), form.attribute(), aspect);
    }

    /** The check field takes a condition, or a whole constraint with its name. */
    private EditReading check() {
        String text = form.value().strip();
        if (CONSTRAINT.matcher(text).lookingAt()) {
            return switch (AttributeLineReader.read("x integer " + text)) {
                case AttributeLine.Fault(int line, int column, String message) -> Faulty.of("check", message);
                case AttributeLine.Understood(AttributeLine line) ->
                        aspect(new AttributeAspect.CheckAs(line.checkName(), line.check()));
            };
        }
        return AttributeLineReader.expressionFault(text).<EditReading>map(message -> Faulty.of("check", message))
                .orElseGet(() -> aspect(
                        new AttributeAspect.CheckAs("", text.isEmpty() ? Optional.empty() : Optional.of(text))));
    }

    /** A key cell: the rank in the primary key and the numbers of alternate keys, such as “2”, “AK1” or “1 AK2”. */
    private EditReading keys() {
        Matcher matcher = KEY.matcher(form.value().strip());
        if (!matcher.matches()) {
            return Faulty.of("key", "“" + form.value().strip()
                    + "” is no place in a key. Type the rank in the primary key (1, 2, ...), AK1 for the first "
                    + "alternate key, or nothing.");
        }
        OptionalInt rank = matcher.group(1) == null ? OptionalInt.empty() : OptionalInt.of(design.entities()
                .find(form.entity())
                .map(entity -> new KeyRanks(design).partRank(entity, form.part(), Integer.parseInt(matcher.group(1))))
                .orElse(1));
        Set<Integer> alternates = new TreeSet<>();
        ALTERNATE.matcher(matcher.group(2)).results()
                .forEach(found -> alternates.add(Integer.parseInt(found.group(1))));
        return plain(new Change.SetKeys(form.entity(), form.part(), rank, alternates));
    }

    private EditReading addRelationship() {
        EntityId first = new EntityId(form.text("first"));
        String wanted = form.text("second").strip();
        if (wanted.isEmpty()) {
            return Faulty.of("second", "Type the name of the other entity, or click its card.");
        }
        Optional<Entity> second = design.entities().stream()
                .filter(entity -> entity.id().value().equals(wanted)
                        || SqlName.of(entity.name()).equals(SqlName.of(wanted)))
                .findFirst();
        if (second.isEmpty()) {
            return Faulty.of("second",
                    "There is no entity “" + wanted + "”. Type the name of one that is there, or make it first (E).");
        }
        RelationshipId id = new RelationshipId(NewId.of('r'));
        return new Read(new Change.AddRelationship(NewRelationships.between(id, first, second.get().id()), false),
                Optional.of(id.value()));
    }

    private EditReading column() {
        return aspect(new RelationshipAspect.ColumnName(form.side(), ColumnPath.of(form.text("path")), form.value()));
    }

    private EditReading place() {
        Sheet sheet = form.sheet(design);
        Map<OwnerId, Place> places = new HashMap<>();
        List<Change> changes = new ArrayList<>();
        for (String card : form.value().split(";")) {
            Matcher matcher = CARD.matcher(card);
            if (!matcher.matches()) {
                throw new WrongRequest("no such place");
            }
            Place place = new Place(Integer.parseInt(matcher.group(2)), Integer.parseInt(matcher.group(3)));
            String id = matcher.group(1);
            switch (id.charAt(0)) {
                case 'n' -> sheet.notes().find(new NoteId(id))
                        .ifPresent(note -> changes.add(new Change.AlterSheet(sheet.id(),
                        new SheetAspect.PutNote(new Note(note.id(), note.text(), place, note.width())))));
                case 'i' -> sheet.pictures().find(new PictureId(id))
                        .ifPresent(picture -> changes.add(new Change.AlterSheet(sheet.id(),
                                new SheetAspect.PutPicture(new Picture(picture.id(), picture.content(), picture.title(),
                                        place, picture.width(), picture.height())))));
                default -> places.put(OwnerId.of(id), place);
            }
        }
        if (!places.isEmpty()) {
            changes.add(new Change.PlaceCards(sheet.id(), places));
        }
        return plain(changes.size() == 1 ? changes.getFirst() : new Change.Several(changes));
    }
}
