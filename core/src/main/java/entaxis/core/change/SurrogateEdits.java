package entaxis.core.change;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPaths;
import entaxis.core.design.Member;
import entaxis.core.design.RelationshipId;
import entaxis.core.schema.Identity;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Edits that exchange an entity's primary key for another one, with everything that refers to it. */
final class SurrogateEdits {
    private SurrogateEdits() { }

    static EditStep give(Design design, Change.AddSurrogateKey edit) {
        Optional<Entity> found = design.entities().find(edit.entity());
        if (found.isEmpty()) {
            return EntityEdits.gone(design);
        }
        Entity entity = found.get();
        if (generated(entity)) {
            return EditStep.refused(design, "key", "“" + entity.name() + "” has a generated key already.");
        }
        if (design.categories().stream()
                .anyMatch(category -> category.kinds().stream().anyMatch(entity::identifiedBy))) {
            return EditStep.refused(design, "key", "“" + entity.name()
                    + "” is a kind and shares the key of its general entity. Give that one a generated key.");
        }
        Attribute id = Attribute.of(edit.attribute(), edit.name().strip(), SqlType.integer()).required(true)
                .numbered(Identity.BY_DEFAULT).meaning("number without meaning");
        Optional<Problem> fault = AttributeEdits.fault(design, entity.id(), id);
        if (fault.isPresent()) {
            return new EditStep(design, List.of(fault.get()));
        }
        List<Member> members = new ArrayList<>(List.of(id));
        entity.members().forEach(member -> members
                .add(member instanceof Attribute own && entity.inKey(own.id()) ? own.required(true) : member));
        Entity changed = entity.withMembers(members).withPrimaryKey(List.of(new OwnPart(id.id())));
        if (!entity.primaryKey().isEmpty()) {
            int number = entity.alternateKeys().stream().mapToInt(AlternateKey::number).max().orElse(0) + 1;
            changed = changed.withAlternateKeys(
                    AttributeEdits.plus(entity.alternateKeys(), new AlternateKey(number, entity.primaryKey())));
        }
        Design numbered = RowEdits.numbered(design, entity.id(), id.id());
        Design next = RowEdits.rekeyed(numbered.with(changed), entity.id(), KeyPaths.of(design, entity.primaryKey()),
                List.of(ColumnPath.own(id.id())));
        return EditStep.done(ExclusionEdits.cleanedUp(next));
    }

    static EditStep take(Design design, Change.TakeAlternateKey edit) {
        Optional<Entity> found = design.entities().find(edit.entity());
        if (found.isEmpty()) {
            return EntityEdits.gone(design);
        }
        Entity entity = found.get();
        Optional<AlternateKey> taken =
                entity.alternateKeys().stream().filter(key -> key.number() == edit.number()).findFirst();
        if (taken.isEmpty()) {
            return EditStep.refused(design, "key",
                    "There is no alternate key AK" + edit.number() + " in “" + entity.name() + "” any more.");
        }
        for (KeyPart part : taken.get().parts()) {
            if (part instanceof InheritedPart(RelationshipId id) && !design.relationships().get(id).mayIdentify()) {
                return EditStep.refused(design, "key",
                        RelationshipEdits.whyNotIdentifying(design, design.relationships().get(id)));
            }
        }
        List<AlternateKey> others = new ArrayList<>(entity.alternateKeys());
        others.remove(taken.get());
        boolean displacesGenerated = generated(entity);
        if (!displacesGenerated && !entity.primaryKey().isEmpty()) {
            others.add(new AlternateKey(edit.number(), entity.primaryKey()));
        }
        Entity changed = entity.withAlternateKeys(others).withPrimaryKey(taken.get().parts());
        if (displacesGenerated) {
            changed = changed.withoutAttribute(((OwnPart) entity.primaryKey().getFirst()).attribute());
        }
        EditStep acyclic = KeyEdits.acyclic(design, design.with(changed), entity.id());
        return acyclic.then(next -> ExclusionEdits.cleanedUp(
                RowEdits.rekeyed(next, entity.id(), KeyPaths.of(design, entity.primaryKey()),
                        KeyPaths.of(design, taken.get().parts()))));
    }

    /** Whether the primary key is one attribute that the engine numbers. */
    private static boolean generated(Entity entity) {
        return entity.primaryKey().size() == 1
                && entity.primaryKey().getFirst() instanceof OwnPart(AttributeId attribute)
                && entity.attribute(attribute).map(own -> own.identity() != Identity.NONE).orElse(false);
    }
}
