package entaxis.web.demo;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.change.SheetAspect;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Assumption;
import entaxis.core.design.AssumptionId;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Index;
import entaxis.core.design.NamedType;
import entaxis.core.design.Notation;
import entaxis.core.design.Note;
import entaxis.core.design.NoteId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.SheetView;
import entaxis.core.design.Side;
import entaxis.core.design.TypeId;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.sql.AttributeLine.Understood;
import entaxis.core.sql.AttributeLine;
import entaxis.core.sql.AttributeLineReader;
import entaxis.core.sql.IndexLineReader;
import entaxis.core.sql.TypeLineReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Builds a design from edits as a designer would make them; any that is refused stops the build. */
final class DesignBuilder {
    private Design design;
    private final Map<String, EntityId> entities = new HashMap<>();
    private final Map<String, RelationshipId> bridges = new HashMap<>();
    private Optional<AreaId> area = Optional.empty();
    private int next;

    DesignBuilder(Design start) {
        this.design = start;
    }

    Design design() {
        return design;
    }

    /** Begins a subject area; the entities that follow are in it. */
    DesignBuilder area(String name, int hue) {
        AreaId id = new AreaId("s" + ++next);
        area = Optional.of(id);
        return apply(new Change.AddArea(new Area(id, name, hue)));
    }

    /** Adds an entity with attribute lines. */
    DesignBuilder entity(String name, String meaning, int x, int y, String lines) {
        EntityId id = new EntityId("e" + ++next);
        entities.put(name, id);
        Entity entity = Entity.named(id, name).meaning(meaning).in(area);
        return apply(new Change.AddEntity(entity, design.sheet().id(), new Place(x, y)))
                .apply(new Change.AddAttributes(id, attributes(lines)));
    }

    /** Adds a one-to-many, or a one-to-one whose columns stand in the second entity. */
    DesignBuilder relate(String first, String verb, Cardinality ofFirst, String second, String back,
            Cardinality ofSecond, String role, ReferentialAction onDelete,
            boolean identifying) {
        Relationship relationship = Relationship
                .between(new RelationshipId("r" + ++next), End.of(entities.get(first), ofFirst, verb).role(role),
                End.of(entities.get(second), ofSecond, back)).acting(onDelete, ReferentialAction.NO_ACTION);
        return apply(new Change.AddRelationship(relationship, identifying));
    }

    /** Adds a many-to-many with attribute lines of its own. */
    DesignBuilder bridge(String name, String first, String verb, Cardinality ofFirst, String second, String back,
            Cardinality ofSecond, String lines) {
        RelationshipId id = new RelationshipId("r" + ++next);
        bridges.put(name, id);
        apply(new Change.AddRelationship(Relationship
                .between(id, End.of(entities.get(first), ofFirst, verb), End.of(entities.get(second), ofSecond, back))
                .named(name), false));
        return lines.isEmpty() ? this : apply(new Change.AddAttributes(id, attributes(lines)));
    }

    /** Defines a type, as SQL writes it. */
    DesignBuilder type(String definition) {
        if (!(TypeLineReader.read(definition, new TypeId("t" + (design.types().size() + 1)),
                design::typeNamed) instanceof TypeLineReader.Defined(NamedType type))) {
            throw new IllegalStateException(definition);
        }
        return apply(new Change.PutType(type));
    }

    /** Gives an entity's table an index. */
    DesignBuilder index(String entity, String line) {
        DerivedTable table = Derivation.of(design).derived(entities.get(entity)).orElseThrow();
        if (!(IndexLineReader.read(line, table) instanceof IndexLineReader.Read(Index index))) {
            throw new IllegalStateException(line);
        }
        return apply(new Change.SetIndexes(entities.get(entity), List.of(index)));
    }

    /** Writes down what was assumed about one end of the first relationship between two entities. */
    DesignBuilder assume(String first, String second, Side side, String text) {
        Relationship relationship = design.relationships().stream()
                .filter(one -> one.first().entity().equals(entities.get(first))
                        && one.second().entity().equals(entities.get(second)))
                .findFirst().orElseThrow();
        return apply(new Change.PutAssumption(new Assumption(new AssumptionId("u" + ++next),
                design.assumptions().size() + 1, relationship.id(), side, text)));
    }

    /** Adds a sheet with some of the entities in a row, in a notation, with a note below. */
    DesignBuilder sheet(String name, Notation notation, List<String> shown, String note) {
        Map<OwnerId, Place> places = new HashMap<>();
        shown.forEach(entity -> places.put(entities.get(entity), new Place(60 + places.size() * 300, 100)));
        SheetId id = new SheetId("p" + ++next);
        return apply(new Change.AddSheet(new Sheet(id, name, Paper.DEFAULT, places)))
                .apply(new Change.AlterSheet(id, new SheetAspect.Shows(SheetView.DEFAULT.with(notation))))
                .apply(new Change.AlterSheet(id,
                        new SheetAspect.PutNote(new Note(new NoteId("n" + ++next), note, new Place(60, 300), 260))));
    }

    /** Lays the card of a many-to-many's table. */
    DesignBuilder place(String bridge, int x, int y) {
        return apply(new Change.PlaceCards(design.sheet().id(), Map.of(bridges.get(bridge), new Place(x, y))));
    }

    /** Adds sample rows: values by column name. */
    DesignBuilder rows(String of, List<Map<String, String>> rows) {
        OwnerId owner = entities.containsKey(of) ? entities.get(of) : bridges.get(of);
        DerivedTable table = Derivation.of(design).derived(owner).orElseThrow();
        for (Map<String, String> row : rows) {
            Map<ColumnPath, String> values = new HashMap<>();
            row.forEach((column,
                    value) -> values.put(table.column(column)
                            .orElseThrow(() -> new IllegalStateException("no column " + column + " in " + table.name()))
                    .path(), value));
            apply(new Change.AddRow(new SampleRow(new RowId("w" + ++next), owner, values)));
        }
        return this;
    }

    private List<Change.NewAttribute> attributes(String lines) {
        List<Change.NewAttribute> added = new ArrayList<>();
        for (AttributeLine.Reading reading : AttributeLineReader.readAll(lines, design::typeNamed)) {
            if (!(reading instanceof Understood(AttributeLine line))) {
                throw new IllegalStateException(reading.toString());
            }
            added.add(new Change.NewAttribute(line.attribute(new AttributeId("a" + ++next)), line.primaryKey(),
                    line.unique()));
        }
        return added;
    }

    DesignBuilder apply(Change change) {
        switch (Editor.apply(design, change)) {
            case Applied(Design changed, var inverse) -> design = changed;
            case Refused refused -> throw new IllegalStateException(refused.problems().toString());
        }
        return this;
    }
}
