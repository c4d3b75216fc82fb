package entaxis.core.review;

import entaxis.core.change.Change;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Category;
import entaxis.core.design.CategoryId;
import entaxis.core.design.EntityId;
import entaxis.core.design.RelationshipId;
import entaxis.core.small.Small;
import java.util.List;

/** Small designs with kinds of an entity. */
final class CategoryDesigns {
    private CategoryDesigns() { }

    /** Leaders as the kind of the first entity, a collector. */
    static Small kinds(Small collectors, Category.Mapping mapping) {
        return collectors.entity("Leader", "rank integer")
                .relate("Collector", "may be", Cardinality.EXACTLY_ONE, "Leader", "is", Cardinality.ZERO_OR_ONE, true)
                .done(new Change.PutCategory(new Category(new CategoryId("c1"), new EntityId("e1"),
                        List.of(new RelationshipId("r1")), true, true, mapping, "")));
    }

    /** Collectors and leaders in one table, where leaders have so many boats. */
    static Small boats(Small collectors, Cardinality boat) {
        return kinds(collectors, Category.Mapping.ONE_FOR_ALL).entity("Boat", "boat_no integer primary key")
                .relate("Boat", "carries", boat, "Leader", "sails", Cardinality.ZERO_OR_MORE, false);
    }
}
