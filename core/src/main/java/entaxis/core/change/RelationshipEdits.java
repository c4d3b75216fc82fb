package entaxis.core.change;

import entaxis.core.change.RelationshipAspect.Agreed;
import entaxis.core.change.RelationshipAspect.Child;
import entaxis.core.change.RelationshipAspect.ColumnName;
import entaxis.core.change.RelationshipAspect.HowMany;
import entaxis.core.change.RelationshipAspect.Identifying;
import entaxis.core.change.RelationshipAspect.Name;
import entaxis.core.change.RelationshipAspect.OnDelete;
import entaxis.core.change.RelationshipAspect.OnUpdate;
import entaxis.core.change.RelationshipAspect.Role;
import entaxis.core.change.RelationshipAspect.Verb;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.schema.ReferentialAction;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Edits of relationships. */
final class RelationshipEdits {
    private RelationshipEdits() { }

    static EditStep add(Design design, Change.AddRelationship edit) {
        Relationship relationship = edit.relationship();
        if (design.relationships().contains(relationship.id())) {
            return EditStep.refused(design, "", "This relationship has been added already.");
        }
        for (Side side : Side.values()) {
            if (!design.entities().contains(relationship.end(side).entity())) {
                return EditStep.refused(design, "entity", "One of the two entities is no longer there.");
            }
        }
        EditStep step = checked(design, relationship);
        return step.ok() && edit.identifying() ? identify(step.design(), design, relationship)
                : step.then(CategoryEdits::cleanedUp);
    }

    static EditStep alter(Design design, Change.AlterRelationship edit) {
        Optional<Relationship> found = design.relationships().find(edit.relationship());
        if (found.isEmpty()) {
            return gone(design);
        }
        Relationship now = found.get();
        return switch (edit.aspect()) {
            case Verb(Side side, String phrase) -> checked(design, now.with(side, now.end(side).verb(phrase.strip())));
            case HowMany(Side side, Cardinality cardinality) ->
                    recounted(design, now, now.with(side, now.end(side).with(cardinality)));
            case Identifying(boolean identifying) -> identifying ? identify(design, design, now)
                    : EditStep.done(child(design, now).map(
                            child -> CategoryEdits.cleanedUp(design.with(child.withPrimaryKey(without(child, now)))))
                            .orElse(design));
            case Role(Side side, String name) ->
                    named(design, now, side, now.end(side).role(name.strip()), "role", name);
            case ColumnName(Side side, ColumnPath path, String name) -> {
                Map<ColumnPath, String> names = new HashMap<>(now.end(side).columnNames());
                if (name.isBlank()) {
                    names.remove(path);
                } else {
                    names.put(path, name.strip());
                }
                Optional<String> taken = columnNameTaken(design, now, name);
                yield taken.isPresent() ? EditStep.refused(design, "column", taken.get())
                        : named(design, now, side, now.end(side).columnNames(names), "column", name);
            }
            case Agreed(Side side, String sentence) ->
                    EditStep.done(design.with(now.with(side, now.end(side).agreed(sentence))));
            case OnDelete(ReferentialAction action) -> checked(design, now.acting(action, now.onUpdate()));
            case OnUpdate(ReferentialAction action) -> checked(design, now.acting(now.onDelete(), action));
            case Name(String name) -> {
                Optional<String> fault = name.isBlank() ? Optional.empty()
                        : Invariants.name(name, "the many-to-many").or(() -> Invariants.tableNameTaken(design,
                                now.id(), name));
                yield fault.map(message -> EditStep.refused(design, "name", message))
                        .orElseGet(() -> EditStep.done(design.with(now.named(name.strip()))));
            }
            case Child(Side side) -> recounted(design, now, now.withChild(side));
        };
    }

    /** What in the table that gets the column already has this name, if anything. */
    private static Optional<String> columnNameTaken(Design design, Relationship relationship, String name) {
        OwnerId holder = relationship.childEntity().map(OwnerId.class::cast).orElse(relationship.id());
        return design.attributesOf(holder).stream()
                .filter(own -> !name.isBlank() && SqlName.of(own.name()).equals(SqlName.of(name))).findFirst()
                .map(own -> "There is an attribute “" + own.name()
                        + "” in this table already. Choose another name, or leave the field empty for the one that is "
                        + "proposed.");
    }

    private static EditStep named(Design design, Relationship now, Side side, End end, String field, String name) {
        Optional<String> fault = name.isBlank() ? Optional.empty() : Invariants.name(name, "the " + field);
        return fault.map(message -> EditStep.refused(design, field, message))
                .orElseGet(() -> checked(design, now.with(side, end)));
    }

    /** A relationship whose ends count otherwise: its columns may move to the other table, or to a bridge table. */
    private static EditStep recounted(Design design, Relationship was, Relationship now) {
        if (was.manyToMany() && !now.manyToMany() && !was.attributes().isEmpty()) {
            return EditStep.refused(design, "cardinality",
                    "This many-to-many has attributes of its own (" + was.attributes().getFirst().name()
                            + (was.attributes().size() > 1 ? ", ..." : "")
                            + "), which would have no place. Delete or move them first.");
        }
        ReferentialAction delete = allowed(now, was.onDelete());
        ReferentialAction update = allowed(now, was.onUpdate());
        EditStep step = checked(design, now.acting(delete, update));
        return step.then(next -> cleanedUp(now.manyToMany() ? next : RowEdits.withoutRowsOf(next, now.id()), now));
    }

    /** “Set to no value” cannot stay where a value has become required. */
    private static ReferentialAction allowed(Relationship relationship, ReferentialAction action) {
        return action == ReferentialAction.SET_NULL && required(relationship) ? ReferentialAction.NO_ACTION : action;
    }

    private static boolean required(Relationship relationship) {
        return relationship.parent().map(side -> !relationship.end(side).cardinality().optional()).orElse(true);
    }

    private static EditStep checked(Design design, Relationship relationship) {
        for (Side side : Side.values()) {
            String verb = relationship.end(side).verb();
            if (verb.isBlank()) {
                return EditStep.refused(design, "verb",
                        "The sentence from “" + design.entities().get(relationship.end(side).entity()).name()
                        + "” has no verb. Type one, such as “has” or “belongs to”.");
            }
            Optional<String> fault = Invariants.name(verb, "the sentence's verb");
            if (fault.isPresent()) {
                return EditStep.refused(design, "verb", fault.get());
            }
        }
        if (required(relationship) && (relationship.onDelete() == ReferentialAction.SET_NULL
                || relationship.onUpdate() == ReferentialAction.SET_NULL)) {
            return EditStep.refused(design, "action",
                    "The reference must have a value, so it cannot be set to no value. Choose another action, or let "
                            + "the parent be zero or one.");
        }
        return EditStep.done(design.with(relationship));
    }

    static String whyNotIdentifying(Design design, Relationship relationship) {
        if (relationship.recursive()) {
            return "A row cannot be identified by another row of its own entity. Keep this recursive relationship "
                    + "non-identifying.";
        }
        return relationship.manyToMany()
                ? "A many-to-many has no child to identify; its table's key is made of both parents' keys already."
                : "Only a parent that is always there can identify: let each “"
                        + design.entities().get(relationship.childEntity().orElseThrow()).name()
                        + "” have exactly one “"
                        + design.entities().get(relationship.parentEntity().orElseThrow()).name() + "”.";
    }

    private static EditStep identify(Design next, Design before, Relationship relationship) {
        if (!relationship.mayIdentify()) {
            return EditStep.refused(before, "identifying", whyNotIdentifying(before, relationship));
        }
        Entity child = child(next, relationship).orElseThrow();
        if (child.identifiedBy(relationship.id())) {
            return EditStep.done(next);
        }
        List<KeyPart> key = new ArrayList<>(child.primaryKey());
        int behindOtherParents = (int) key.stream().takeWhile(InheritedPart.class::isInstance).count();
        key.add(behindOtherParents, new InheritedPart(relationship.id()));
        return KeyEdits.acyclic(before, next.with(child.withPrimaryKey(key)), child.id())
                .then(ExclusionEdits::cleanedUp).then(CategoryEdits::cleanedUp);
    }

    static EditStep turn(Design design, RelationshipId id) {
        Optional<Relationship> found = design.relationships().find(id);
        if (found.isEmpty()) {
            return gone(design);
        }
        Relationship was = found.get();
        boolean identifying = design.identifying(was);
        Relationship turned = was.with(Side.FIRST, was.first().at(was.second().entity()).columnNames(Map.of()))
                .with(Side.SECOND, was.second().at(was.first().entity()).columnNames(Map.of()));
        Design next = cleanedUp(design.with(turned), turned);
        return identifying ? identify(next, design, turned) : EditStep.done(next);
    }

    static EditStep remove(Design design, RelationshipId id) {
        return design.relationships().contains(id) ? EditStep.done(DependencyEdits.cleanedUp(without(design, id)))
                : gone(design);
    }

    /** The design without a relationship and without any trace of its columns. */
    static Design without(Design design, RelationshipId id) {
        Design next = design;
        for (Side side : Side.values()) {
            Entity entity = next.entities().get(design.relationships().get(id).end(side).entity());
            next = changed(next, entity, entity.withoutRelationship(id));
        }
        next = next.withRelationships(next.relationships().without(id));
        if (next.assumptions().stream().anyMatch(assumption -> assumption.relationship().equals(id))) {
            next = next.withAssumptions(Elements.of(
                    next.assumptions().stream().filter(assumption -> !assumption.relationship().equals(id)).toList()));
        }
        return CategoryEdits.cleanedUp(ExclusionEdits.cleanedUp(EntityEdits.withoutCard(next, id)));
    }

    /**
     * The design with the relationship's columns in keys and orders of its child only, and identifying only where it
     * may be.
     */
    private static Design cleanedUp(Design design, Relationship relationship) {
        Design next = design;
        for (Side side : Side.values()) {
            EntityId id = relationship.end(side).entity();
            Entity entity = next.entities().get(id);
            boolean child = relationship.childEntity().equals(Optional.of(id));
            next = changed(next, entity, !child ? entity.withoutRelationship(relationship.id())
                    : relationship.mayIdentify() ? entity : entity.withPrimaryKey(without(entity, relationship)));
        }
        return CategoryEdits.cleanedUp(ExclusionEdits.cleanedUp(next));
    }

    private static Design changed(Design design, Entity was, Entity now) {
        return was.equals(now) ? design : design.with(now);
    }

    private static List<KeyPart> without(Entity child, Relationship relationship) {
        return child.primaryKey().stream().filter(part -> !part.equals(new InheritedPart(relationship.id()))).toList();
    }

    private static Optional<Entity> child(Design design, Relationship relationship) {
        return relationship.childEntity().flatMap(design.entities()::find);
    }

    private static EditStep gone(Design design) {
        return EditStep.refused(design, "",
                "This relationship is no longer there; it was deleted meanwhile. Undo brings it back.");
    }
}
