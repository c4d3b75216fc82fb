package entaxis.core.change;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.Entity;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Relationship;
import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Edits of attributes, of entities and of many-to-many relationships alike. */
final class AttributeEdits {
    private AttributeEdits() { }

    static EditStep add(Design design, Change.AddAttributes edit) {
        EditStep step = EditStep.done(design);
        for (Change.NewAttribute added : edit.attributes()) {
            step = step.ok() ? addOne(step.design(), edit.owner(), added) : step;
        }
        return step;
    }

    private static EditStep addOne(Design design, OwnerId owner, Change.NewAttribute added) {
        Attribute attribute = added.attribute().named(added.attribute().name().strip());
        Optional<Problem> fault = fault(design, owner, attribute);
        if (fault.isPresent()) {
            return new EditStep(design, List.of(fault.get()));
        }
        if (design.attributesOf(owner).size() >= Invariants.MAX_ATTRIBUTES) {
            return EditStep.refused(design, "",
                    "An entity has " + Invariants.MAX_ATTRIBUTES + " attributes at most. Split it into two entities.");
        }
        return switch (owner) {
            case EntityId id -> design.entities().find(id)
                    .map(entity -> EditStep.done(design.with(joined(entity, attribute, added))))
                    .orElseGet(() -> EntityEdits.gone(design));
            case RelationshipId id -> design.relationships().find(id).filter(Relationship::manyToMany)
                    .map(relationship -> added.inPrimaryKey() || added.unique()
                            ? EditStep.refused(design, "",
                                    "The key of a many-to-many is made of both parents' keys. Leave “primary key” and "
                                            + "“unique” out.")
                            : EditStep.done(design
                                    .with(relationship.withAttributes(plus(relationship.attributes(), attribute)))))
                    .orElseGet(() -> EditStep.refused(design, "",
                            "Only a many-to-many relationship has attributes of its own. Add it to one of the two "
                                    + "entities."));
        };
    }

    private static Entity joined(Entity entity, Attribute attribute, Change.NewAttribute added) {
        KeyPart part = new OwnPart(attribute.id());
        Entity next = entity.withMembers(plus(entity.members(), (Member) attribute));
        if (added.inPrimaryKey()) {
            next = next.withPrimaryKey(plus(next.primaryKey(), part));
        }
        if (added.unique()) {
            int number = next.alternateKeys().stream().mapToInt(AlternateKey::number).max().orElse(0) + 1;
            next = next.withAlternateKeys(plus(next.alternateKeys(), new AlternateKey(number, List.of(part))));
        }
        return next;
    }

    static EditStep alter(Design design, Change.AlterAttribute edit) {
        Optional<Attribute> found = design.attribute(edit.owner(), edit.attribute());
        if (found.isEmpty()) {
            return EditStep.refused(design, "",
                    "This attribute is no longer there; it was deleted meanwhile. Undo brings it back.");
        }
        Attribute now = found.get();
        Attribute changed = switch (edit.aspect()) {
            case AttributeAspect.Name(String name) -> now.named(name.strip());
            case AttributeAspect.Type(SqlType type) -> now.typed(type);
            case AttributeAspect.Required(boolean required) -> now.required(required);
            case AttributeAspect.Default(Optional<String> expression) -> now.withDefault(expression);
            case AttributeAspect.Check(Optional<String> condition) -> now.withCheck(condition);
            case AttributeAspect.CheckAs(String name, Optional<String> condition) ->
                    now.withCheck(condition, name.strip());
            case AttributeAspect.Numbered(Identity identity) -> now.numbered(identity);
            case AttributeAspect.Numbers(Identity identity, Optional<Numbering> numbering) ->
                    now.numbered(identity, numbering);
            case AttributeAspect.Generated(Optional<String> expression) -> now.computed(expression);
            case AttributeAspect.Meaning(String words) -> now.meaning(words.strip());
            case AttributeAspect.Example(String value) -> now.example(value.strip());
        };
        if (edit.aspect() instanceof AttributeAspect.Required(boolean required) && !required && inKey(design, edit)) {
            return EditStep.refused(design, "required", "“" + now.name()
                    + "” is part of the primary key, which always has a value. Take it out of the key first.");
        }
        return fault(design, edit.owner(), changed).map(problem -> new EditStep(design, List.of(problem)))
                .orElseGet(() -> EditStep.done(
                        followed(replaced(design, edit.owner(), changed), edit.owner(), now.name(), changed.name())));
    }

    /** The design with the conditions and computations of an owner speaking of an attribute by its new name. */
    private static Design followed(Design design, OwnerId owner, String was, String becomes) {
        if (was.equals(becomes)) {
            return design;
        }
        Map<String, String> names = Map.of(SqlName.of(was), SqlName.quoted(SqlName.of(becomes)));
        UnaryOperator<String> renamed = words -> Expression.of(words).renamed(names).text();
        UnaryOperator<Attribute> follow = attribute -> attribute
                .withCheck(attribute.check().map(renamed), attribute.checkName())
                .computed(attribute.generated().map(renamed));
        return switch (owner) {
            case EntityId id -> {
                Entity entity = design.entities().get(id);
                yield design.with(entity
                        .withMembers(entity.members().stream()
                                .map(member -> member instanceof Attribute own ? follow.apply(own) : member).toList())
                        .withChecks(entity.checks().stream()
                                .map(check -> new NamedCheck(check.name(), renamed.apply(check.condition())))
                                .toList())
                        .withPartitions(entity.partitions().map(own -> own.worded(renamed))));
            }
            case RelationshipId id -> {
                Relationship relationship = design.relationships().get(id);
                yield design.with(relationship.withAttributes(relationship.attributes().stream().map(follow).toList()));
            }
        };
    }

    /**
     * Moves attributes with their sample values left behind: a value belongs to the row of the entity that it was typed
     * for.
     */
    static EditStep move(Design design, Change.MoveAttributes edit) {
        Optional<Entity> from = design.entities().find(edit.from());
        if (from.isEmpty() || !design.entities().contains(edit.to())) {
            return EntityEdits.gone(design);
        }
        if (edit.from().equals(edit.to())) {
            return EditStep.refused(design, "", "These attributes are in “" + from.get().name() + "” already.");
        }
        EditStep step = EditStep.done(design);
        for (AttributeId id : edit.attributes()) {
            Optional<Attribute> attribute = step.ok() ? step.design().attribute(edit.from(), id) : Optional.empty();
            if (step.ok() && attribute.isEmpty()) {
                return EditStep.refused(design, "", "An attribute that was to be moved is no longer there.");
            }
            if (step.ok()) {
                Design without = step.design().with(step.design().entities().get(edit.from()).withoutAttribute(id));
                EditStep added = addOne(without, edit.to(), new Change.NewAttribute(attribute.get(), false, false));
                step = added.ok() ? added : new EditStep(design, added.problems());
            }
        }
        return step;
    }

    private static boolean inKey(Design design, Change.AlterAttribute edit) {
        return edit.owner() instanceof EntityId id && design.entities().get(id).inKey(edit.attribute());
    }

    private static Design replaced(Design design, OwnerId owner, Attribute changed) {
        return switch (owner) {
            case EntityId id -> design.with(design.entities().get(id).withAttribute(changed));
            case RelationshipId id -> {
                Relationship relationship = design.relationships().get(id);
                yield design.with(relationship.withAttributes(relationship.attributes().stream()
                        .map(own -> own.id().equals(changed.id()) ? changed : own).toList()));
            }
        };
    }

    static EditStep remove(Design design, Change.RemoveAttribute edit) {
        if (design.attribute(edit.owner(), edit.attribute()).isEmpty()) {
            return EditStep.refused(design, "", "This attribute is no longer there.");
        }
        return EditStep.done(DependencyEdits.cleanedUp(switch (edit.owner()) {
            case EntityId id -> design.with(design.entities().get(id).withoutAttribute(edit.attribute()));
            case RelationshipId id -> design.with(design.relationships().get(id).withAttributes(
                    design.relationships().get(id).attributes().stream()
                            .filter(own -> !own.id().equals(edit.attribute())).toList()));
        }));
    }

    static Optional<Problem> fault(Design design, OwnerId owner, Attribute attribute) {
        Optional<String> name = Invariants.name(attribute.name(), "the attribute")
                .or(() -> taken(design, owner, attribute.id(), attribute.name()));
        if (name.isPresent()) {
            return Optional.of(new Problem("name", name.get()));
        }
        Optional<String> meaning = Invariants.text(attribute.meaning(), "The meaning");
        if (meaning.isPresent()) {
            return Optional.of(new Problem("meaning", meaning.get()));
        }
        boolean numbered = attribute.identity() != Identity.NONE;
        if (numbered && !(attribute.type() instanceof IntegerType)) {
            return Optional.of(new Problem("type", "“" + attribute.name()
                    + "” is numbered by the engine, so its type is a whole number: smallint, integer or bigint."));
        }
        if (numbered && attribute.defaultValue().isPresent()) {
            return Optional.of(new Problem("default", "“" + attribute.name()
                    + "” is numbered by the engine, so it has no default. Leave one of the two out."));
        }
        boolean stepless = attribute.numbering().map(numbers -> numbers.step() == 0).orElse(false);
        if (stepless) {
            return Optional.of(new Problem("default",
                    "The numbers of “" + attribute.name() + "” would not go on: increment by something other than 0."));
        }
        if (attribute.generated().isPresent() && (numbered || attribute.defaultValue().isPresent())) {
            return Optional.of(new Problem("default", "“" + attribute.name()
                    + "” is computed from others, so it has neither a default nor numbers. Leave one of the two out."));
        }
        boolean ownFormula = attribute.generated().map(Expression::of)
                .filter(formula -> formula.columns().contains(SqlName.of(attribute.name()))).isPresent();
        if (ownFormula) {
            return Optional.of(new Problem("default", "“" + attribute.name() + "” cannot be computed from itself."));
        }
        boolean unknown = attribute.type() instanceof DesignType && design.definition(attribute.type()).isEmpty();
        return unknown
                ? Optional.of(new Problem("type",
                        "The type of “" + attribute.name() + "” is no longer defined. Choose another one."))
                : Optional.empty();
    }

    private static Optional<String> taken(Design design, OwnerId owner, AttributeId self, String name) {
        return design.attributesOf(owner).stream()
                .filter(other -> !other.id().equals(self) && SqlName.of(other.name()).equals(SqlName.of(name)))
                .findFirst()
                .map(other -> "There is an attribute “" + other.name() + "” here already. Choose another name.");
    }

    static <T> List<T> plus(List<T> list, T added) {
        List<T> next = new ArrayList<>(list);
        next.add(added);
        return next;
    }
}
