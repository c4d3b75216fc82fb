package entaxis.core.design;

import java.util.List;
import java.util.Optional;

/**
 * An entity and its kinds: each thing of a kind is also a thing of the general entity, and is identified as such (FIPS
 * PUB 184, categorization relationships).
 *
 * @param general       the entity that all kinds have in common
 * @param kinds         identifying one-to-one relationships from the general entity, at {@link Side#FIRST}, to each
 *                      kind
 * @param complete      whether everything general is of one of these kinds
 * @param disjoint      whether nothing is of two kinds at once
 * @param mapping       how they become tables
 * @param discriminator name of the attribute that tells the kind; empty for one that is proposed where a table needs it
 */
public record Category(CategoryId id, EntityId general, List<RelationshipId> kinds, boolean complete, boolean disjoint,
        Mapping mapping,
        String discriminator) implements Elements.Element<CategoryId> {
    /** Copies the kinds. */
    public Category {
        kinds = List.copyOf(kinds);
    }

    /** How a general entity and its kinds become tables. */
    public enum Mapping {
        /** A table for the general entity and one for each kind, with the same key. */
        ONE_PER_KIND("a table for each, with the same key"),
        /** One table with the attributes of all. */
        ONE_FOR_ALL("one table for all"),
        /** Tables of the kinds only, each with the general attributes. */
        ONLY_KINDS("tables of the kinds only");

        private final String words;

        Mapping(String words) {
            this.words = words;
        }

        /** In plain words. */
        public String words() {
            return words;
        }
    }

    /** The entity of a kind. */
    public static Optional<EntityId> kind(Design design, RelationshipId kind) {
        return design.relationships().find(kind).map(relationship -> relationship.second().entity());
    }

    /** The same without one of its kinds. */
    public Category without(RelationshipId kind) {
        return new Category(id, general, kinds.stream().filter(other -> !other.equals(kind)).toList(), complete,
                disjoint, mapping, discriminator);
    }
}
