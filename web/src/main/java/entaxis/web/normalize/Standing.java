package entaxis.web.normalize;

import entaxis.core.dependency.FirstFormSigns;
import entaxis.core.design.EntityId;
import entaxis.core.normalize.AcrossEntities;
import entaxis.core.normalize.EntityRelation;
import entaxis.web.store.OpenDesign;
import java.util.List;

/** What is known of an entity whatever is typed about it: it stays the same from one keystroke to the next. */
public record Standing(OpenDesign open, EntityRelation kept, List<FirstFormSigns> signs, List<AcrossEntities> across) {
    /** What the design as it is kept says of an entity. */
    public static Standing of(OpenDesign open, EntityId entity) {
        EntityRelation kept = EntityRelation.of(open.design(), open.derivation(), entity);
        return new Standing(open, kept, FirstFormSigns.of(kept.rows()),
                AcrossEntities.of(open.design(), open.derivation(), entity));
    }

    /** Whether this is still so. */
    public boolean isOf(OpenDesign now, EntityId entity) {
        return now.id().equals(open.id()) && now.revision() == open.revision() && entity.equals(kept.entity().id());
    }
}
