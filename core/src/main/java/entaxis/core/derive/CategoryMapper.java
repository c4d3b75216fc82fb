package entaxis.core.derive;

import entaxis.core.design.Category.Mapping;
import entaxis.core.design.Category;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.RelationshipId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A design in which every entity is to become one table: categories whose kinds share one table with the general
 * entity, or take its place, are carried out (the mappings of specialisations to relations in Elmasri and Navathe, from
 * memory: options 8B for the kinds only, 8C and 8D for one table, with one attribute that tells the kind or one flag
 * for each). Sample rows follow.
 */
final class CategoryMapper {
    private final Design design;
    private final Map<RelationshipId, RelationshipId> origins;

    private CategoryMapper(Design design, Map<RelationshipId, RelationshipId> origins) {
        this.design = design;
        this.origins = origins;
    }

    static CategoryMapper none(Design design) {
        return new CategoryMapper(design, Map.of());
    }

    /** The very same design where no category asks for anything. */
    static CategoryMapper of(Design design) {
        Design folded = design;
        Map<RelationshipId, RelationshipId> origins = new HashMap<>();
        List<Category> open = new ArrayList<>(
                design.categories().stream().filter(category -> category.mapping() != Mapping.ONE_PER_KIND).toList());
        while (!open.isEmpty()) {
            Set<EntityId> generals = new HashSet<>();
            open.forEach(category -> generals.add(category.general()));
            Design now = folded;
            Category next = open.stream()
                    .filter(category -> category.kinds().stream().flatMap(kind -> Category.kind(now, kind).stream())
                            .noneMatch(generals::contains))
                    .findFirst().orElse(open.getFirst());
            open.remove(next);
            folded = next.mapping() == Mapping.ONE_FOR_ALL ? new SingleTableMapping(folded, next).fold()
                    : new TablePerSubtype(folded, next, origins).fold();
            Design folding = folded;
            open.replaceAll(category -> folding.categories().find(category.id()).orElse(category));
        }
        return new CategoryMapper(folded, origins);
    }

    /** The same for a design in which nothing has changed that becomes tables. */
    CategoryMapper over(Design other) {
        return origins.isEmpty() && design.categories().size() == other.categories().size()
                ? new CategoryMapper(other, origins) : of(other);
    }

    Design design() {
        return design;
    }

    RelationshipId stated(RelationshipId relationship) {
        return origins.getOrDefault(relationship, relationship);
    }
}
