package entaxis.core.design;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Everything that a designer has stated. Immutable; each {@code with} method gives a changed copy that shares all the rest. */
public record Design(Facts facts, Elements<AreaId, Area> areas, Elements<EntityId, Entity> entities,
        Elements<RelationshipId, Relationship> relationships, Elements<SheetId, Sheet> sheets, Elements<RowId, SampleRow> rows) {

    /** A design without entities, with one empty sheet. */
    public static Design empty(Facts facts, Sheet sheet) {
        return new Design(facts, Elements.none(), Elements.none(), Elements.none(), Elements.of(List.of(sheet)), Elements.none());
    }

    /** The relationships in which an entity takes part, in order. */
    public Stream<Relationship> relationshipsOf(EntityId entity) {
        return relationships.stream().filter(relationship -> relationship.touches(entity));
    }

    /** The first sheet. */
    public Sheet sheet() {
        return sheets.list().getFirst();
    }

    /** Whether a relationship is identifying: its columns are part of the child's primary key (FIPS PUB 184). */
    public boolean identifying(Relationship relationship) {
        return relationship.childEntity().flatMap(entities::find).map(child -> child.identifiedBy(relationship.id())).orElse(false);
    }

    /** The attributes of an entity or relationship; none if there is no such owner. */
    public List<Attribute> attributesOf(OwnerId owner) {
        return switch (owner) {
            case EntityId id -> entities.find(id).map(Entity::attributes).orElse(List.of());
            case RelationshipId id -> relationships.find(id).map(Relationship::attributes).orElse(List.of());
        };
    }

    /** An attribute of an entity or relationship. */
    public Optional<Attribute> attribute(OwnerId owner, AttributeId attribute) {
        return attributesOf(owner).stream().filter(own -> own.id().equals(attribute)).findFirst();
    }

    public Design with(Facts newFacts) {
        return new Design(newFacts, areas, entities, relationships, sheets, rows);
    }

    public Design withAreas(Elements<AreaId, Area> newAreas) {
        return new Design(facts, newAreas, entities, relationships, sheets, rows);
    }

    public Design withEntities(Elements<EntityId, Entity> newEntities) {
        return new Design(facts, areas, newEntities, relationships, sheets, rows);
    }

    public Design withRelationships(Elements<RelationshipId, Relationship> newRelationships) {
        return new Design(facts, areas, entities, newRelationships, sheets, rows);
    }

    public Design withSheets(Elements<SheetId, Sheet> newSheets) {
        return new Design(facts, areas, entities, relationships, newSheets, rows);
    }

    public Design withRows(Elements<RowId, SampleRow> newRows) {
        return new Design(facts, areas, entities, relationships, sheets, newRows);
    }

    /** This design with an entity added or replaced. */
    public Design with(Entity entity) {
        return withEntities(entities.with(entity));
    }

    /** This design with a relationship added or replaced. */
    public Design with(Relationship relationship) {
        return withRelationships(relationships.with(relationship));
    }

    /** This design with a sheet added or replaced. */
    public Design with(Sheet sheet) {
        return withSheets(sheets.with(sheet));
    }
}
