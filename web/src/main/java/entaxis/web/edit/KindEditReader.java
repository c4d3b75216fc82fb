package entaxis.web.edit;

import entaxis.core.change.Change;
import entaxis.core.design.Assumption;
import entaxis.core.design.AssumptionId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Category;
import entaxis.core.design.Category.Mapping;
import entaxis.core.design.CategoryId;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Exclusion;
import entaxis.core.design.ExclusionId;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SqlName;
import entaxis.web.store.NewId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Reads edits of categories, of relationships that exclude each other, and of assumptions. */
final class KindEditReader {
    private final Design design;
    private final EditForm form;

    KindEditReader(Design design, EditForm form) {
        this.design = design;
        this.form = form;
    }

    EditReading read() {
        return switch (form.kind()) {
            case CATEGORY_KIND -> kind();
            case CATEGORY_COMPLETE -> category(now -> new Category(now.id(), now.general(), now.kinds(), form.yes(),
                    now.disjoint(), now.mapping(), now.discriminator()));
            case CATEGORY_DISJOINT -> category(now -> new Category(now.id(), now.general(), now.kinds(),
                    now.complete(), form.yes(), now.mapping(), now.discriminator()));
            case CATEGORY_MAPPING -> category(now -> new Category(now.id(), now.general(), now.kinds(),
                    now.complete(), now.disjoint(), Mapping.valueOf(form.value()),
                    now.discriminator()));
            case CATEGORY_DISCRIMINATOR -> category(now -> new Category(now.id(), now.general(), now.kinds(),
                    now.complete(), now.disjoint(), now.mapping(),
                    form.value().strip()));
            case CATEGORY_REMOVE ->
                    EditReader.plain(new Change.RemoveCategory(new CategoryId(form.text("category"))));
            case EXCLUSION_ADD -> exclusion();
            case EXCLUSION_MANDATORY ->
                    exclusion(now -> new Exclusion(now.id(), now.name(), now.child(), now.alternatives(), form.yes()));
            case EXCLUSION_REMOVE ->
                    EditReader.plain(new Change.RemoveExclusion(new ExclusionId(form.text("exclusion"))));
            case ASSUMPTION_ADD ->
                    EditReader.plain(new Change.PutAssumption(new Assumption(new AssumptionId(NewId.of('u')),
                            design.assumptions().stream().mapToInt(Assumption::number).max().orElse(0) + 1,
                            form.relationship(), form.side(), form.value().strip())));
            case ASSUMPTION_TEXT -> assumption();
            default -> throw form.unknown();
        };
    }

    private EditReading category(UnaryOperator<Category> change) {
        return EditReader.plain(
                new Change.PutCategory(change.apply(design.categories().get(new CategoryId(form.text("category"))))));
    }

    /**
     * Makes an entity, there already or new, a kind of another one, in the first category that this has or in a new
     * one.
     */
    private EditReading kind() {
        Entity general = design.entities().get(form.entity());
        String name = form.value().strip();
        if (name.isEmpty()) {
            return EditReading.Faulty.of("kind", "Type the name of the entity that is a kind of “" + general.name()
                    + "”; a new name makes a new entity.");
        }
        List<Change> changes = new ArrayList<>();
        Optional<Entity> there = design.entities().stream()
                .filter(entity -> SqlName.of(entity.name()).equals(SqlName.of(name))).findFirst();
        EntityId kind = there.map(Entity::id).orElseGet(() -> new EntityId(NewId.of('e')));
        Sheet sheet = form.sheet(design);
        if (there.isEmpty()) {
            Place place = sheet.places().getOrDefault(general.id(), new Place(80, 80));
            int others = (int) design.categories().stream().filter(category -> category.general().equals(general.id()))
                    .mapToLong(category -> category.kinds().size()).sum();
            changes.add(new Change.AddEntity(Entity.named(kind, name), sheet.id(),
                    new Place(place.x() + others * 200 - 60, place.y() + 260)));
        }
        if (there.map(entity -> !entity.primaryKey().isEmpty()).orElse(false)) {
            return EditReading.Faulty.of("kind", "“" + name + "” has a key of its own; a kind shares the key of “"
                    + general.name() + "”. Take its attributes out of its key first.");
        }
        RelationshipId kindOf = new RelationshipId(NewId.of('r'));
        changes.add(new Change.AddRelationship(
                Relationship.between(kindOf, End.of(general.id(), Cardinality.EXACTLY_ONE, "may be"),
                End.of(kind, Cardinality.ZERO_OR_ONE, "is")), true));
        Optional<Category> category =
                design.categories().stream().filter(other -> other.general().equals(general.id())).findFirst();
        List<RelationshipId> kinds = new ArrayList<>(category.map(Category::kinds).orElse(List.of()));
        kinds.add(kindOf);
        changes.add(new Change.PutCategory(category
                .map(now -> new Category(now.id(), now.general(), kinds, now.complete(), now.disjoint(), now.mapping(),
                        now.discriminator()))
                .orElseGet(() -> new Category(new CategoryId(NewId.of('c')), general.id(), kinds, false, true,
                        Mapping.ONE_PER_KIND, ""))));
        return EditReader.plain(new Change.Several(changes));
    }

    private EditReading exclusion() {
        RelationshipId one = form.relationship();
        RelationshipId other = new RelationshipId(form.value());
        Relationship relationship = design.relationships().get(one);
        EntityId child = relationship.childEntity().orElse(relationship.first().entity());
        Optional<Exclusion> there =
                design.exclusions().stream().filter(exclusion -> exclusion.alternatives().contains(one)).findFirst();
        List<RelationshipId> alternatives = new ArrayList<>(there.map(Exclusion::alternatives).orElse(List.of(one)));
        alternatives.add(other);
        return EditReader.plain(new Change.PutExclusion(
                new Exclusion(there.map(Exclusion::id).orElseGet(() -> new ExclusionId(NewId.of('x'))),
                        there.map(Exclusion::name).orElse(""), child, alternatives,
                        there.map(Exclusion::mandatory).orElse(true))));
    }

    private EditReading exclusion(UnaryOperator<Exclusion> change) {
        return EditReader.plain(new Change.PutExclusion(
                change.apply(design.exclusions().get(new ExclusionId(form.text("exclusion"))))));
    }

    private EditReading assumption() {
        AssumptionId id = new AssumptionId(form.text("assumption"));
        if (form.value().isBlank()) {
            return EditReader.plain(new Change.RemoveAssumption(id));
        }
        Assumption now = design.assumptions().get(id);
        return EditReader.plain(new Change.PutAssumption(
                new Assumption(id, now.number(), now.relationship(), now.side(), form.value().strip())));
    }
}
