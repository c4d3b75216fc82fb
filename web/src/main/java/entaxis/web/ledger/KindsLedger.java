package entaxis.web.ledger;

import entaxis.core.design.Category;
import entaxis.core.design.Category.Mapping;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart;
import entaxis.core.sentence.HiddenManyToMany;
import java.util.List;

/**
 * What an entity is a kind of, and which kinds it has.
 *
 * @param kindOf       name of the general entity; empty for none
 * @param dissolves    why it cannot become a many-to-many again; empty if it can
 * @param questions    what to ask aloud about an entity between others
 */
public record KindsLedger(String kindOf, List<CategoryRow> categories, List<Mapping> mappings, boolean dissolves,
        List<HiddenManyToMany.Question> questions) {
    /** One category. */
    public record CategoryRow(String id, List<String> kinds, boolean complete, boolean disjoint, String mapping,
            String discriminator) { }

    /** The kinds of an entity. */
    public static KindsLedger of(Design design, Entity entity) {
        List<CategoryRow> rows = design.categories().stream().filter(category -> category.general().equals(entity.id()))
                .map(category -> new CategoryRow(category.id().value(),
                        category.kinds().stream().flatMap(kind -> Category.kind(design, kind).stream())
                                .map(kind -> design.entities().get(kind).name()).toList(),
                        category.complete(), category.disjoint(), category.mapping().name(), category.discriminator()))
                .toList();
        String kindOf = design.categories().stream()
                .filter(category -> category.kinds().stream().anyMatch(entity::identifiedBy)).findFirst()
                .map(category -> design.entities().get(category.general()).name()).orElse("");
        boolean between = entity.primaryKey().size() == 2
                && entity.primaryKey().stream().allMatch(KeyPart.InheritedPart.class::isInstance);
        return new KindsLedger(kindOf, rows, List.of(Mapping.values()),
                between && entity.attributes().isEmpty() && kindOf.isEmpty(),
                between ? HiddenManyToMany.questions(design, entity.id()) : List.of());
    }
}
