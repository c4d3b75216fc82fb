package entaxis.core.small;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.change.Outcome.Refused;
import entaxis.core.change.Outcome;
import entaxis.core.change.Problem;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.schema.Column;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import entaxis.core.sql.AttributeLine.Understood;
import entaxis.core.sql.AttributeLineReader;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Small designs for tests, built by edits; entities are found by name, relationships are numbered r1, r2 as they come.
 */
public final class Small {
    private Design design = Design.empty(new DesignProperties("Small", Target.POSTGRESQL, "", ""),
            new Sheet(new SheetId("p1"), "Sheet 1", Paper.DEFAULT, Map.of()));
    private int entities;
    private int attributes;
    private int relationships;

    public Design design() {
        return design;
    }

    /** Adds an entity with attribute lines. */
    public Small entity(String name, String... lines) {
        Entity entity = Entity.named(new EntityId("e" + ++entities), name);
        done(new Change.AddEntity(entity, new SheetId("p1"), new Place(entities * 300, 0)));
        for (String line : lines) {
            var read = ((Understood) AttributeLineReader.readAll(line, design::typeNamed).getFirst()).line();
            done(new Change.AddAttributes(entity.id(),
                    List.of(new Change.NewAttribute(read.attribute(new AttributeId("a" + ++attributes)),
                            read.primaryKey(), read.unique()))));
        }
        return this;
    }

    /** Adds a relationship. */
    public Small relate(String first, String verb, Cardinality ofFirst, String second, String back,
            Cardinality ofSecond, boolean identifying) {
        return relate(first, verb, ofFirst, "", second, back, ofSecond, identifying);
    }

    /** Adds a relationship in which the first entity plays a role. */
    public Small relate(String first, String verb, Cardinality ofFirst, String role, String second, String back,
            Cardinality ofSecond, boolean identifying) {
        return done(new Change.AddRelationship(Relationship.between(new RelationshipId("r" + ++relationships),
                End.of(id(first), ofFirst, verb).role(role),
                End.of(id(second), ofSecond, back)), identifying));
    }

    /** Makes an edit that must succeed. */
    public Small done(Change change) {
        switch (Editor.apply(design, change)) {
            case Applied(Design next, var inverse) -> design = next;
            case Refused refused -> throw new AssertionError(refused.problems().toString());
        }
        return this;
    }

    /** The message with which an edit is refused. */
    public String refusal(Change change) {
        Outcome outcome = Editor.apply(design, change);
        if (outcome instanceof Refused(List<Problem> problems)) {
            return problems.stream().map(problem -> problem.field() + ": " + problem.message())
                    .collect(Collectors.joining("\n"));
        }
        throw new AssertionError("not refused");
    }

    /** The identity of an entity. */
    public EntityId id(String name) {
        return design.entities().stream().filter(entity -> entity.name().equals(name)).findFirst().orElseThrow().id();
    }

    /** An entity. */
    public Entity find(String name) {
        return design.entities().get(id(name));
    }

    /** The identity of an attribute of an entity. */
    public AttributeId attribute(String entity, String name) {
        return find(entity).attributes().stream().filter(attribute -> attribute.name().equals(name)).findFirst()
                .orElseThrow().id();
    }

    /** A derived table. */
    public Table table(String name) {
        return Derivation.of(design).schema().table(name).orElseThrow(() -> new AssertionError("no table " + name));
    }

    /** A derived table with what its parts come from. */
    public DerivedTable derived(String name) {
        return Derivation.of(design).derived(QualifiedName.of(name)).orElseThrow();
    }

    /** Columns of a derived table in brief: key columns marked *, required ones !, each with its type. */
    public String columns(String table) {
        Table found = table(table);
        return found.columns().stream().map(column -> brief(found, column)).collect(Collectors.joining(", "));
    }

    private static String brief(Table table, Column column) {
        return (table.keyColumns().contains(column.name()) ? "*" : column.required() ? "!" : "") + column.name() + " "
                + column.type().text();
    }
}
