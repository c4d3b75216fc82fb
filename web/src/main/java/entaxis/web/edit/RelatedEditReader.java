package entaxis.web.edit;

import entaxis.core.change.Change;
import entaxis.core.change.Copying;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SqlName;
import entaxis.core.sentence.NewRelationships;
import entaxis.core.sentence.Sentence;
import entaxis.core.sentence.SentenceReader;
import entaxis.core.sql.AttributeLine;
import entaxis.core.sql.AttributeLineReader;
import entaxis.web.store.NewId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * Reads edits that touch several elements at once: resolving, dissolving, duplicating, moving attributes, sentences.
 */
final class RelatedEditReader {
    private final Design design;
    private final EditForm form;

    RelatedEditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    EditReading read() {
        return switch (form.kind()) {
            case RELATIONSHIP_AGREE -> agree();
            case RELATIONSHIP_RESOLVE -> resolve();
            case ENTITY_DISSOLVE -> {
                RelationshipId id = new RelationshipId(NewId.of('r'));
                yield new EditReading.Read(new Change.Dissolve(form.entity(), id), Optional.of(id.value()));
            }
            case ENTITY_DUPLICATE -> {
                List<String> made = new ArrayList<>();
                Change copy = Copying.duplicate(design, form.entity(), form.value().equals("with"),
                        form.sheet(design).id(), kind -> {
                    made.add(NewId.of(kind));
                    return made.getLast();
                });
                yield new EditReading.Read(copy, Optional.of(made.getFirst()));
            }
            case ATTRIBUTES_MOVE -> attributes();
            case SENTENCES_ADD -> sentences();
            case AREA_HUE -> area(now -> new Area(now.id(), now.name(), form.number("value")));
            case AREA_NAME -> area(now -> new Area(now.id(), form.value().strip(), now.hue()));
            case AREA_REMOVE -> EditReader.plain(new Change.RemoveArea(new AreaId(form.text("area"))));
            default -> throw form.unknown();
        };
    }

    private EditReading area(UnaryOperator<Area> change) {
        return EditReader.plain(new Change.AlterArea(change.apply(design.areas().get(new AreaId(form.text("area"))))));
    }

    private EditReading agree() {
        Relationship relationship = design.relationships().get(form.relationship());
        String sentence = form.yes() ? Sentence.of(design, relationship, form.side()).text() : "";
        return EditReader.plain(
                new Change.AlterRelationship(relationship.id(), new RelationshipAspect.Agreed(form.side(), sentence)));
    }

    private EditReading resolve() {
        List<Change.NewAttribute> attributes = new ArrayList<>();
        for (AttributeLine.Reading reading : AttributeLineReader.readAll(form.text("lines"), design::typeNamed)) {
            switch (reading) {
                case AttributeLine.Fault(int line, int column, String message) -> {
                    return EditReading.Faulty.of("attributes",
                            "Attribute " + line + ", character " + column + ": " + message);
                }
                case AttributeLine.Understood(AttributeLine line) -> attributes.add(
                        new Change.NewAttribute(line.attribute(new AttributeId(NewId.of('a'))), false, line.unique()));
            }
        }
        EntityId entity = new EntityId(NewId.of('e'));
        return new EditReading.Read(
                new Change.Resolve(form.relationship(), entity, form.text("name"), new RelationshipId(NewId.of('r')),
                        new RelationshipId(NewId.of('r')),
                        Change.AssociativeKey.valueOf(form.text("key")), new AttributeId(NewId.of('a')), attributes),
                Optional.of(entity.value()));
    }

    private EditReading attributes() {
        String wanted = form.text("to").strip();
        Optional<Entity> to = design.entities().stream().filter(
                entity -> entity.id().value().equals(wanted) || SqlName.of(entity.name()).equals(SqlName.of(wanted)))
                .findFirst();
        if (to.isEmpty()) {
            return EditReading.Faulty.of("to", wanted.isEmpty() ? "Type the name of the entity that they go to."
                    : "There is no entity “" + wanted + "”. Type the name of one that is there.");
        }
        List<AttributeId> ids = Arrays.stream(form.text("chosen").split(","))
                .filter(id -> id.matches("a[0-9a-z]{1,24}")).map(AttributeId::new).toList();
        if (ids.isEmpty()) {
            return EditReading.Faulty.of("to", "Choose the attributes first: press the sign before each.");
        }
        if (form.value().equals("copy")) {
            List<Change.NewAttribute> copies = ids.stream().flatMap(id -> design.attribute(form.owner(), id).stream())
                    .map(attribute -> new Change.NewAttribute(attribute.as(new AttributeId(NewId.of('a'))), false,
                            false))
                    .toList();
            return EditReader.plain(new Change.AddAttributes(to.get().id(), copies));
        }
        return EditReader.plain(new Change.MoveAttributes((EntityId) form.owner(), to.get().id(), ids));
    }

    private EditReading sentences() {
        SentenceReader.Reading reading =
                SentenceReader.read(form.value(), design.entities().stream().map(Entity::name).toList());
        if (!reading.faults().isEmpty()) {
            return EditReading.Faulty.of("sentences",
                    reading.faults().stream().map(
                            fault -> "Line " + fault.line() + ", character " + fault.column() + ": " + fault.message())
                    .collect(Collectors.joining(" ")) + " Nothing was made yet.");
        }
        return reading.pairs().isEmpty()
                ? EditReading.Faulty.of("sentences",
                        "Type a sentence, as in: Each collector takes part in zero or more trips.")
                : EditReader.plain(NewRelationships.of(design, reading.pairs(), form.sheet(design), NewId::of));
    }
}
