package entaxis.core.design;

import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import java.util.ArrayList;
import java.util.List;

/** The columns that keys amount to, through any number of generations (FIPS PUB 184, key migration). */
public final class KeyPaths {
    private KeyPaths() { }

    /**
     * The columns of an entity's primary key, in rank order. Linear in their number times the generations above;
     * identifying relationships form no cycles.
     */
    public static List<ColumnPath> of(Design design, EntityId entity) {
        return design.entities().find(entity).map(found -> of(design, found.primaryKey())).orElse(List.of());
    }

    /** The columns that parts of a key amount to, in order. */
    public static List<ColumnPath> of(Design design, List<KeyPart> parts) {
        List<ColumnPath> paths = new ArrayList<>();
        for (KeyPart part : parts) {
            switch (part) {
                case OwnPart(AttributeId attribute) -> paths.add(ColumnPath.own(attribute));
                case InheritedPart(RelationshipId id) ->
                        design.relationships().find(id).ifPresent(relationship -> relationship.parent().ifPresent(
                                side ->
                        of(design, relationship.end(side).entity()).forEach(path -> paths.add(path.over(id, side)))));
            }
        }
        return paths;
    }
}
