package entaxis.web.edit;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Facts;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.ReferentialAction;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.design.Target;
import entaxis.core.sql.AttributeLine;
import entaxis.core.sql.AttributeLineReader;
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
import java.util.Locale;
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
    private static final Pattern CARD = Pattern.compile("([er][0-9a-z]+):(-?\\d{1,7}),(-?\\d{1,7})");
    private static final Pattern IDENTITY = Pattern.compile("(?i)generated\\s+(always|by\\s+default)\\s+as\\s+identity");

    private final Design design;
    private final EditForm form;

    private EditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    /**
     * Reads a form.
     *
     * @throws IllegalArgumentException if the form is not one that a page of this application sends
     */
    public static EditReading read(Design design, EditForm form) {
        return new EditReader(design, form).read();
    }

    private EditReading read() {
        return switch (form.kind()) {
            case "facts.name" -> facts(form.value(), design.facts().target(), design.facts().title(), design.facts().author());
            case "facts.target" -> facts(design.facts().name(), Target.valueOf(form.value()), design.facts().title(), design.facts().author());
            case "facts.title" -> facts(design.facts().name(), design.facts().target(), form.value().strip(), design.facts().author());
            case "facts.author" -> facts(design.facts().name(), design.facts().target(), design.facts().title(), form.value().strip());
            case "paper" -> paper();
            case "entity.add" -> addEntity();
            case "entity.name" -> plain(new Change.RenameEntity(form.entity(), form.value()));
            case "entity.meaning" -> plain(new Change.DescribeEntity(form.entity(), form.value()));
            case "entity.area" -> area();
            case "entity.remove" -> new Read(new Change.RemoveEntity(form.entity()), Optional.of(""));
            case "attribute.add" -> addAttributes();
            case "attribute.name" -> aspect(new AttributeAspect.Name(form.value()));
            case "attribute.type" -> type();
            case "attribute.required" -> aspect(new AttributeAspect.Required(form.yes()));
            case "attribute.default" -> defaultValue();
            case "attribute.check" -> check();
            case "attribute.meaning" -> aspect(new AttributeAspect.Meaning(form.value()));
            case "attribute.key" -> keys();
            case "attribute.move" -> plain(new Change.MoveMember(form.owner(), form.part(), form.number("by")));
            case "attribute.remove" -> plain(new Change.RemoveAttribute(form.owner(), form.attribute()));
            case "relationship.add" -> addRelationship();
            case "relationship.verb" -> aspect(new RelationshipAspect.Verb(form.side(), form.value()));
            case "relationship.many" -> aspect(new RelationshipAspect.HowMany(form.side(), cardinality(form.value())));
            case "relationship.identifying" -> aspect(new RelationshipAspect.Identifying(form.yes()));
            case "relationship.role" -> aspect(new RelationshipAspect.Role(form.side(), form.value()));
            case "relationship.column" -> column();
            case "relationship.delete" -> aspect(new RelationshipAspect.OnDelete(ReferentialAction.valueOf(form.value())));
            case "relationship.update" -> aspect(new RelationshipAspect.OnUpdate(ReferentialAction.valueOf(form.value())));
            case "relationship.name" -> aspect(new RelationshipAspect.Name(form.value()));
            case "relationship.child" -> aspect(new RelationshipAspect.Child(Side.valueOf(form.value())));
            case "relationship.turn" -> plain(new Change.TurnRound(form.relationship()));
            case "relationship.remove" -> new Read(new Change.RemoveRelationship(form.relationship()), Optional.of(""));
            case "cards.place" -> place();
            default -> throw new IllegalArgumentException("no such edit");
        };
    }

    private static Read plain(Change change) {
        return new Read(change, Optional.empty());
    }

    private EditReading facts(String name, Target target, String title, String author) {
        return plain(new Change.SetFacts(new Facts(name.strip(), target, title, author)));
    }

    private EditReading paper() {
        Paper now = design.sheet().paper();
        return plain(new Change.SetPaper(design.sheet().id(), switch (form.value()) {
            case "landscape" -> new Paper(now.size(), true);
            case "upright" -> new Paper(now.size(), false);
            default -> new Paper(Paper.Size.valueOf(form.value()), now.landscape());
        }));
    }

    private EditReading addEntity() {
        EntityId id = new EntityId(NewId.of('e'));
        return new Read(new Change.AddEntity(Entity.named(id, form.value()), design.sheet().id(), new Place(form.number("x"), form.number("y"))), Optional.of(id.value()));
    }

    private EditReading area() {
        String name = form.value().strip();
        if (name.isEmpty()) {
            return plain(new Change.AssignArea(form.entity(), Optional.empty()));
        }
        Optional<AreaId> present = design.areas().stream().filter(area -> area.name().equalsIgnoreCase(name)).findFirst().map(Area::id);
        if (present.isPresent()) {
            return plain(new Change.AssignArea(form.entity(), present));
        }
        Area added = new Area(new AreaId(NewId.of('s')), name, design.areas().size() % Area.HUES);
        return plain(new Change.Several(List.of(new Change.AddArea(added), new Change.AssignArea(form.entity(), Optional.of(added.id())))));
    }

    private EditReading addAttributes() {
        List<AttributeLine.Reading> readings = AttributeLineReader.readAll(form.value());
        List<Change.NewAttribute> added = new ArrayList<>();
        for (AttributeLine.Reading reading : readings) {
            switch (reading) {
                case AttributeLine.Fault(int line, int column, String message) -> {
                    return Faulty.of("value", (readings.size() > 1 ? "Line " + line + ", character " : "Character ") + column + ": " + message);
                }
                case AttributeLine.Understood(AttributeLine line) -> added.add(new Change.NewAttribute(new Attribute(new AttributeId(NewId.of('a')), line.name(),
                        line.type(), line.required(), line.defaultValue(), line.check(), line.identity(), line.meaning()), line.primaryKey(), line.unique()));
            }
        }
        return added.isEmpty() ? Faulty.of("value", "Type an attribute, as in: received_on date not null -- day it reached us")
                : plain(new Change.AddAttributes(form.owner(), added));
    }

    private EditReading aspect(AttributeAspect aspect) {
        return plain(new Change.AlterAttribute(form.owner(), form.attribute(), aspect));
    }

    private EditReading aspect(RelationshipAspect aspect) {
        return plain(new Change.AlterRelationship(form.relationship(), aspect));
    }

    private EditReading type() {
        return switch (TypeReader.read(form.value())) {
            case Known(SqlType type) -> aspect(new AttributeAspect.Type(type));
            case Unknown(String message) -> Faulty.of("type", message);
        };
    }

    /** The default field also takes the words that make the engine number the attribute. */
    private EditReading defaultValue() {
        String text = form.value().strip();
        Matcher identity = IDENTITY.matcher(text);
        Attribute now = design.attribute(form.owner(), form.attribute()).orElse(Attribute.of(form.attribute(), "", SqlType.largeText()));
        List<Change> changes = new ArrayList<>();
        boolean numbered = identity.matches();
        if (!numbered && AttributeLineReader.expressionFault(text).isPresent()) {
            return Faulty.of("default", AttributeLineReader.expressionFault(text).get());
        }
        if (now.identity() != Attribute.Identity.NONE && !numbered) {
            changes.add(new Change.AlterAttribute(form.owner(), form.attribute(), new AttributeAspect.Numbered(Attribute.Identity.NONE)));
        }
        changes.add(new Change.AlterAttribute(form.owner(), form.attribute(), new AttributeAspect.Default(numbered || text.isEmpty() ? Optional.empty() : Optional.of(text))));
        if (numbered) {
            boolean always = identity.group(1).toLowerCase(Locale.ROOT).equals("always");
            changes.add(new Change.AlterAttribute(form.owner(), form.attribute(),
                    new AttributeAspect.Numbered(always ? Attribute.Identity.ALWAYS : Attribute.Identity.BY_DEFAULT)));
        }
        return plain(changes.size() == 1 ? changes.getFirst() : new Change.Several(changes));
    }

    private EditReading check() {
        String text = form.value().strip();
        return AttributeLineReader.expressionFault(text).<EditReading>map(message -> Faulty.of("check", message))
                .orElseGet(() -> aspect(new AttributeAspect.Check(text.isEmpty() ? Optional.empty() : Optional.of(text))));
    }

    /** A key cell: the rank in the primary key and the numbers of alternate keys, such as “2”, “AK1” or “1 AK2”. */
    private EditReading keys() {
        Matcher matcher = KEY.matcher(form.value().strip());
        if (!matcher.matches()) {
            return Faulty.of("key", "“" + form.value().strip() + "” is no place in a key. Type the rank in the primary key (1, 2, ...), AK1 for the first alternate key, or nothing.");
        }
        OptionalInt rank = matcher.group(1) == null ? OptionalInt.empty() : OptionalInt.of(Integer.parseInt(matcher.group(1)));
        Set<Integer> alternates = new TreeSet<>();
        ALTERNATE.matcher(matcher.group(2)).results().forEach(found -> alternates.add(Integer.parseInt(found.group(1))));
        return plain(new Change.SetKeys(form.entity(), form.part(), rank, alternates));
    }

    private EditReading addRelationship() {
        EntityId first = new EntityId(form.text("first"));
        String wanted = form.text("second").strip();
        if (wanted.isEmpty()) {
            return Faulty.of("second", "Type the name of the other entity, or click its card.");
        }
        Optional<Entity> second = design.entities().stream()
                .filter(entity -> entity.id().value().equals(wanted) || SqlName.of(entity.name()).equals(SqlName.of(wanted))).findFirst();
        if (second.isEmpty()) {
            return Faulty.of("second", "There is no entity “" + wanted + "”. Type the name of one that is there, or make it first (E).");
        }
        RelationshipId id = new RelationshipId(NewId.of('r'));
        boolean recursive = second.get().id().equals(first);
        Relationship relationship = Relationship.between(id,
                End.of(first, recursive ? Cardinality.ZERO_OR_ONE : Cardinality.EXACTLY_ONE, "has").role(recursive ? "parent" : ""),
                End.of(second.get().id(), Cardinality.ZERO_OR_MORE, "belongs to"));
        return new Read(new Change.AddRelationship(relationship, false), Optional.of(id.value()));
    }

    private EditReading column() {
        return aspect(new RelationshipAspect.ColumnName(form.side(), ColumnPath.of(form.text("path")), form.value()));
    }

    private static Cardinality cardinality(String word) {
        return switch (word) {
            case "one" -> Cardinality.EXACTLY_ONE;
            case "maybe" -> Cardinality.ZERO_OR_ONE;
            case "some" -> Cardinality.ONE_OR_MORE;
            case "any" -> Cardinality.ZERO_OR_MORE;
            default -> throw new IllegalArgumentException("no such cardinality");
        };
    }

    private EditReading place() {
        Map<OwnerId, Place> places = new HashMap<>();
        for (String card : form.value().split(";")) {
            Matcher matcher = CARD.matcher(card);
            if (!matcher.matches()) {
                throw new IllegalArgumentException("no such place");
            }
            places.put(OwnerId.of(matcher.group(1)), new Place(Integer.parseInt(matcher.group(2)), Integer.parseInt(matcher.group(3))));
        }
        return plain(new Change.PlaceCards(design.sheet().id(), places));
    }
}
