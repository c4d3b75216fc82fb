package entaxis.core.change;

import entaxis.core.design.Category.Mapping;
import entaxis.core.design.Category;
import entaxis.core.design.CategoryId;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Edits of entities with kinds. */
final class CategoryEdits {
    private CategoryEdits() { }

    static EditStep put(Design design, Category category) {
        Optional<String> fault = fault(design, category);
        return fault.map(message -> EditStep.refused(design, "category", message))
                .orElseGet(() -> EditStep.done(design.withCategories(design.categories().with(category))));
    }

    private static Optional<String> fault(Design design, Category category) {
        Optional<Entity> general = design.entities().find(category.general());
        if (general.isEmpty()) {
            return Optional.of("The general entity is no longer there.");
        }
        if (category.kinds().isEmpty()) {
            return Optional.of("A category has at least one kind. Choose an entity that is a kind of “"
                    + general.get().name() + "”.");
        }
        Set<EntityId> seen = new HashSet<>();
        for (RelationshipId id : category.kinds()) {
            Optional<Relationship> relationship = design.relationships().find(id);
            if (relationship.isEmpty() || !fits(design, category, relationship.get())) {
                return Optional.of(
                        "A kind shares the key of its general entity: the relationship to it is one-to-one and "
                                + "identifying.");
            }
            if (!seen.add(relationship.get().second().entity()) || design.categories().stream()
                    .anyMatch(other -> !other.id().equals(category.id()) && other.kinds().contains(id))) {
                return Optional.of("“" + design.entities().get(relationship.get().second().entity()).name()
                        + "” is a kind already.");
            }
        }
        if (!category.discriminator().isEmpty()
                && Invariants.name(category.discriminator(), "the attribute that tells the kind").isPresent()) {
            return Invariants.name(category.discriminator(), "the attribute that tells the kind");
        }
        return category.mapping() == Mapping.ONLY_KINDS ? whyNotOnlyKinds(design, category, general.get())
                : Optional.empty();
    }

    private static boolean fits(Design design, Category category, Relationship relationship) {
        return relationship.oneToOne() && relationship.first().entity().equals(category.general())
                && relationship.childOfOneToOne() == Side.SECOND
                && design.identifying(relationship)
                && design.entities().get(relationship.second().entity()).primaryKey().size() == 1;
    }

    /**
     * Tables of the kinds only cannot say that something is of no kind, and nothing can refer to a table that is not
     * there.
     */
    private static Optional<String> whyNotOnlyKinds(Design design, Category category, Entity general) {
        if (!category.complete()) {
            return Optional.of("Without a table of its own, a “" + general.name()
                    + "” that is of none of these kinds would have no place. Make the category complete first.");
        }
        return design.relationshipsOf(general.id())
                .filter(relationship -> !category.kinds().contains(relationship.id()))
                .filter(relationship -> relationship.manyToMany()
                        || relationship.parentEntity().equals(Optional.of(general.id())))
                .findFirst()
                .map(relationship -> "“" + design.entities().get(relationship.first().entity()).name() + " "
                        + relationship.first().verb()
                        + "” refers to “" + general.name()
                        + "”, which would have no table to refer to. Keep a table for it.");
    }

    static EditStep remove(Design design, CategoryId category) {
        return design.categories().contains(category)
                ? EditStep.done(design.withCategories(design.categories().without(category)))
                : EditStep.refused(design, "", "This category is no longer there.");
    }

    /**
     * The design with its categories holding only what still fits them; those without kinds go, and a mapping that no
     * longer can be becomes a table for each.
     */
    static Design cleanedUp(Design design) {
        Elements<CategoryId, Category> next = design.categories();
        for (Category category : design.categories()) {
            List<RelationshipId> fitting = category.kinds().stream()
                    .filter(id -> design.relationships().find(id)
                            .filter(relationship -> fits(design, category, relationship)).isPresent())
                    .toList();
            Optional<Entity> general = design.entities().find(category.general());
            Category left = new Category(category.id(), category.general(), fitting, category.complete(),
                    category.disjoint(), category.mapping(), category.discriminator());
            Mapping mapping = general.isPresent() && category.mapping() == Mapping.ONLY_KINDS
                    && whyNotOnlyKinds(design, left, general.get()).isPresent()
                    ? Mapping.ONE_PER_KIND : category.mapping();
            if (fitting.isEmpty() || general.isEmpty()) {
                next = next.without(category.id());
            } else if (fitting.size() < category.kinds().size() || mapping != category.mapping()) {
                next = next.with(new Category(category.id(), category.general(), fitting, category.complete(),
                        category.disjoint(), mapping, category.discriminator()));
            }
        }
        return next == design.categories() ? design : design.withCategories(next);
    }
}
