package entaxis.core.design;

import entaxis.core.schema.ReferentialAction;
import java.util.List;
import java.util.Optional;

/**
 * A relationship between two entities, or of an entity with itself.
 *
 * @param name         name of a many-to-many, and of the table that it becomes; empty for one made of the two entities'
 *                     names
 * @param childOfOneToOne where both maxima are one, the end whose table gets the foreign key
 * @param onDelete     what happens to children when the parent is deleted
 * @param onUpdate     what happens to children when the parent's key changes
 * @param attributes   attributes of the relationship itself; only a many-to-many has any (Chen 1976)
 */
public record Relationship(RelationshipId id, String name, End first, End second, Side childOfOneToOne,
        ReferentialAction onDelete,
        ReferentialAction onUpdate, List<Attribute> attributes) implements Elements.Element<RelationshipId> {

    /** Copies the attributes. */
    public Relationship {
        attributes = List.copyOf(attributes);
    }

    /** A relationship that refuses deletion and has neither name nor attributes. */
    public static Relationship between(RelationshipId id, End first, End second) {
        return new Relationship(id, "", first, second, Side.SECOND, ReferentialAction.NO_ACTION,
                ReferentialAction.NO_ACTION, List.of());
    }

    /** The end at a side. */
    public End end(Side side) {
        return side == Side.FIRST ? first : second;
    }

    /** Whether both ends may be many. */
    public boolean manyToMany() {
        return first.cardinality().many() && second.cardinality().many();
    }

    /** Whether neither end may be many. */
    public boolean oneToOne() {
        return !first.cardinality().many() && !second.cardinality().many();
    }

    /** Whether both ends are the same entity. */
    public boolean recursive() {
        return first.entity().equals(second.entity());
    }

    /** Whether an entity is at one of the ends. */
    public boolean touches(EntityId entity) {
        return first.entity().equals(entity) || second.entity().equals(entity);
    }

    /** The end whose table gets the foreign key: the many side; none for a many-to-many. */
    public Optional<Side> child() {
        if (manyToMany()) {
            return Optional.empty();
        }
        return Optional.of(oneToOne() ? childOfOneToOne : first.cardinality().many() ? Side.FIRST : Side.SECOND);
    }

    /** The end whose key is referred to; none for a many-to-many. */
    public Optional<Side> parent() {
        return child().map(Side::other);
    }

    /** The entity that gets the foreign key; none for a many-to-many. */
    public Optional<EntityId> childEntity() {
        return child().map(side -> end(side).entity());
    }

    /** The entity whose key is referred to; none for a many-to-many. */
    public Optional<EntityId> parentEntity() {
        return parent().map(side -> end(side).entity());
    }

    /** Whether it can be identifying: each child has exactly one parent, which is another entity. */
    public boolean mayIdentify() {
        return !recursive()
                && parent().map(side -> end(side).cardinality().equals(Cardinality.EXACTLY_ONE)).orElse(false);
    }

    /** The same with another end at a side. */
    public Relationship with(Side side, End end) {
        return side == Side.FIRST
                ? new Relationship(id, name, end, second, childOfOneToOne, onDelete, onUpdate, attributes)
                : new Relationship(id, name, first, end, childOfOneToOne, onDelete, onUpdate, attributes);
    }

    /** The same with another name. */
    public Relationship named(String newName) {
        return new Relationship(id, newName, first, second, childOfOneToOne, onDelete, onUpdate, attributes);
    }

    /** The same with the foreign key of a one-to-one at another side. */
    public Relationship withChild(Side side) {
        return new Relationship(id, name, first, second, side, onDelete, onUpdate, attributes);
    }

    /** The same with other actions. */
    public Relationship acting(ReferentialAction delete, ReferentialAction update) {
        return new Relationship(id, name, first, second, childOfOneToOne, delete, update, attributes);
    }

    /** The same with other attributes. */
    public Relationship withAttributes(List<Attribute> own) {
        return new Relationship(id, name, first, second, childOfOneToOne, onDelete, onUpdate, own);
    }
}
