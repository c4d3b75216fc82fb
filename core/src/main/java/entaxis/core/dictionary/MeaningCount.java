package entaxis.core.dictionary;

import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.Relationship;
import java.util.stream.Stream;

/**
 * How far a dictionary is written.
 *
 * @param described  attributes that have a meaning
 * @param attributes all attributes of entities and of many-to-many relationships
 */
public record MeaningCount(long described, long attributes) {
    /** Counts in time linear in the attributes, without making the dictionary. */
    public static MeaningCount of(Design design) {
        long described = attributes(design).filter(attribute -> !attribute.meaning().isBlank()).count();
        return new MeaningCount(described, attributes(design).count());
    }

    private static Stream<Attribute> attributes(Design design) {
        return Stream.concat(design.entities().stream().map(Entity::attributes),
                design.relationships().stream().filter(Relationship::manyToMany).map(Relationship::attributes))
                .flatMap(attributes -> attributes.stream());
    }
}
