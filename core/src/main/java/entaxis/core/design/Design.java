package entaxis.core.design;

import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Everything that a designer has stated. Immutable; each {@code with} method gives a changed copy that shares all the
 * rest.
 */
public record Design(DesignProperties facts, Elements<AreaId, Area> areas, Elements<TypeId, NamedType> types,
        Elements<EntityId, Entity> entities,
        Elements<RelationshipId, Relationship> relationships, Elements<CategoryId, Category> categories,
        Elements<ExclusionId, Exclusion> exclusions,
        Elements<AssumptionId, Assumption> assumptions, Elements<SheetId, Sheet> sheets,
        Elements<RowId, SampleRow> rows,
        Elements<EntityId, StatedDependencies> dependencies, Elements<OpaqueId, OpaqueObject> carried,
        Elements<DecisionId, Decision> decisions) {

    /** A design without entities, with one empty sheet. */
    public static Design empty(DesignProperties facts, Sheet sheet) {
        return new Design(facts, Elements.none(), Elements.none(), Elements.none(), Elements.none(), Elements.none(),
                Elements.none(), Elements.none(),
                Elements.of(List.of(sheet)), Elements.none(), Elements.none(), Elements.none(), Elements.none());
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
        return relationship.childEntity().flatMap(entities::find).map(child -> child.identifiedBy(relationship.id()))
                .orElse(false);
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

    /** The type that the design defines under a name, in any case of letters. */
    public Optional<SqlType> typeNamed(String name) {
        return types.stream().filter(type -> type.name().equalsIgnoreCase(SqlName.of(name))).findFirst()
                .map(type -> new DesignType(type.id().value()));
    }

    /** The definition behind a type, where the design defines it. */
    public Optional<NamedType> definition(SqlType type) {
        return type instanceof DesignType(String id) ? types.find(new TypeId(id)) : Optional.empty();
    }

    /** A type as people write it: in ISO words, or by the name that the design gave it. */
    public String text(SqlType type) {
        return definition(type).map(NamedType::name).orElseGet(type::text);
    }

    /** The category in which a relationship leads to a kind, if it is one of those. */
    public Optional<Category> categoryOf(RelationshipId relationship) {
        return categories.stream().filter(category -> category.kinds().contains(relationship)).findFirst();
    }

    /** Whether everything that becomes tables is the very same as in another design, so that the same tables follow. */
    public boolean tablesAsIn(Design other) {
        return facts == other.facts && types == other.types && entities == other.entities
                && relationships == other.relationships && categories == other.categories
                && exclusions == other.exclusions && carried == other.carried;
    }

    /** Entities and all that are related to them within so many steps, nearest first. */
    public Set<EntityId> within(Collection<EntityId> some, int steps) {
        Set<EntityId> reached = new LinkedHashSet<>(some);
        for (int step = 0; step < steps; step++) {
            for (EntityId entity : List.copyOf(reached)) {
                relationshipsOf(entity).forEach(relationship -> reached
                        .addAll(List.of(relationship.first().entity(), relationship.second().entity())));
            }
        }
        return reached;
    }

    public Design with(DesignProperties newFacts) {
        return new Design(newFacts, areas, types, entities, relationships, categories, exclusions, assumptions, sheets,
                rows, dependencies, carried, decisions);
    }

    public Design withAreas(Elements<AreaId, Area> newAreas) {
        return new Design(facts, newAreas, types, entities, relationships, categories, exclusions, assumptions, sheets,
                rows, dependencies, carried, decisions);
    }

    public Design withTypes(Elements<TypeId, NamedType> newTypes) {
        return new Design(facts, areas, newTypes, entities, relationships, categories, exclusions, assumptions, sheets,
                rows, dependencies, carried, decisions);
    }

    public Design withEntities(Elements<EntityId, Entity> newEntities) {
        return new Design(facts, areas, types, newEntities, relationships, categories, exclusions, assumptions, sheets,
                rows, dependencies, carried, decisions);
    }

    public Design withRelationships(Elements<RelationshipId, Relationship> newRelationships) {
        return new Design(facts, areas, types, entities, newRelationships, categories, exclusions, assumptions, sheets,
                rows, dependencies, carried, decisions);
    }

    public Design withCategories(Elements<CategoryId, Category> newCategories) {
        return new Design(facts, areas, types, entities, relationships, newCategories, exclusions, assumptions, sheets,
                rows, dependencies, carried, decisions);
    }

    public Design withExclusions(Elements<ExclusionId, Exclusion> newExclusions) {
        return new Design(facts, areas, types, entities, relationships, categories, newExclusions, assumptions, sheets,
                rows, dependencies, carried, decisions);
    }

    public Design withAssumptions(Elements<AssumptionId, Assumption> newAssumptions) {
        return new Design(facts, areas, types, entities, relationships, categories, exclusions, newAssumptions, sheets,
                rows, dependencies, carried, decisions);
    }

    public Design withSheets(Elements<SheetId, Sheet> newSheets) {
        return new Design(facts, areas, types, entities, relationships, categories, exclusions, assumptions, newSheets,
                rows, dependencies, carried, decisions);
    }

    public Design withRows(Elements<RowId, SampleRow> newRows) {
        return new Design(facts, areas, types, entities, relationships, categories, exclusions, assumptions, sheets,
                newRows, dependencies, carried, decisions);
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

    public Design withDependencies(Elements<EntityId, StatedDependencies> newDependencies) {
        return new Design(facts, areas, types, entities, relationships, categories, exclusions, assumptions, sheets,
                rows, newDependencies, carried, decisions);
    }

    public Design withCarried(Elements<OpaqueId, OpaqueObject> newCarried) {
        return new Design(facts, areas, types, entities, relationships, categories, exclusions, assumptions, sheets,
                rows, dependencies, newCarried, decisions);
    }

    public Design withDecisions(Elements<DecisionId, Decision> newDecisions) {
        return new Design(facts, areas, types, entities, relationships, categories, exclusions, assumptions, sheets,
                rows, dependencies, carried, newDecisions);
    }
}
