package entaxis.web.demo;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.ReferentialAction;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.schema.Table;
import entaxis.core.sql.AttributeLine;
import entaxis.core.sql.AttributeLine.Understood;
import entaxis.core.sql.AttributeLineReader;
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
        return apply(new Change.AddEntity(entity, design.sheet().id(), new Place(x, y))).apply(new Change.AddAttributes(id, attributes(lines)));
    }

    /** Adds a one-to-many, or a one-to-one whose columns stand in the second entity. */
    DesignBuilder relate(String first, String verb, Cardinality ofFirst, String second, String back, Cardinality ofSecond, String role, ReferentialAction onDelete,
            boolean identifying) {
        Relationship relationship = Relationship.between(new RelationshipId("r" + ++next), End.of(entities.get(first), ofFirst, verb).role(role),
                End.of(entities.get(second), ofSecond, back)).acting(onDelete, ReferentialAction.NO_ACTION);
        return apply(new Change.AddRelationship(relationship, identifying));
    }

    /** Adds a many-to-many with attribute lines of its own. */
    DesignBuilder bridge(String name, String first, String verb, Cardinality ofFirst, String second, String back, Cardinality ofSecond, String lines) {
        RelationshipId id = new RelationshipId("r" + ++next);
        bridges.put(name, id);
        apply(new Change.AddRelationship(Relationship.between(id, End.of(entities.get(first), ofFirst, verb), End.of(entities.get(second), ofSecond, back)).named(name), false));
        return lines.isEmpty() ? this : apply(new Change.AddAttributes(id, attributes(lines)));
    }

    /** Lays the card of a many-to-many's table. */
    DesignBuilder place(String bridge, int x, int y) {
        return apply(new Change.PlaceCards(design.sheet().id(), Map.of(bridges.get(bridge), new Place(x, y))));
    }

    /** Adds sample rows: values by column name. */
    DesignBuilder rows(String of, List<Map<String, String>> rows) {
        OwnerId owner = entities.containsKey(of) ? entities.get(of) : bridges.get(of);
        Table table = Derivation.of(design).table(owner).orElseThrow();
        for (Map<String, String> row : rows) {
            Map<ColumnPath, String> values = new HashMap<>();
            row.forEach((column, value) -> values.put(table.column(column).orElseThrow(() -> new IllegalStateException("no column " + column + " in " + table.name()))
                    .origin().orElseThrow(), value));
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
            added.add(new Change.NewAttribute(line.attribute(new AttributeId("a" + ++next)), line.primaryKey(), line.unique()));
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
