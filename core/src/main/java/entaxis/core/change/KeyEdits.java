package entaxis.core.change;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.ForeignColumns;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;

/** Edits of keys and of the order in which attributes stand. */
final class KeyEdits {
    private static final int MAX_ALTERNATE_KEY = 99;

    private KeyEdits() { }

    static EditStep set(Design design, Change.SetKeys edit) {
        Optional<Entity> found = design.entities().find(edit.entity());
        if (found.isEmpty()) {
            return EntityEdits.gone(design);
        }
        Entity entity = found.get();
        Optional<Problem> fault = fault(design, entity, edit);
        if (fault.isPresent()) {
            return new EditStep(design, List.of(fault.get()));
        }
        Design next = design.with(entity.withPrimaryKey(ranked(entity.primaryKey(), edit.part(), edit.rank()))
                .withAlternateKeys(alternates(entity.alternateKeys(), edit.part(), edit.alternates())));
        return acyclic(design, next, entity.id()).then(ExclusionEdits::cleanedUp).then(CategoryEdits::cleanedUp);
    }

    /** The next design unless the entity now identifies itself by way of others. */
    static EditStep acyclic(Design design, Design next, EntityId entity) {
        List<String> cycle = Invariants.identifyingCycle(next, entity);
        return cycle.isEmpty() ? EditStep.done(next) : EditStep.refused(design, "identifying",
                "Then each would need the other's key first: " + String.join(" → ", cycle)
                        + ". Make one of these relationships non-identifying.");
    }

    private static Optional<Problem> fault(Design design, Entity entity, Change.SetKeys edit) {
        boolean there = switch (edit.part()) {
            case OwnPart(var attribute) -> entity.attribute(attribute).isPresent();
            case InheritedPart(RelationshipId id) ->
                    design.relationships().find(id).flatMap(Relationship::childEntity).equals(Optional.of(entity.id()));
        };
        if (!there) {
            return Optional
                    .of(new Problem("key", "What should be in the key is no longer part of “" + entity.name() + "”."));
        }
        if (edit.rank().isPresent() && edit.rank().getAsInt() < 1) {
            return Optional.of(new Problem("key",
                    "A rank in the key is 1, 2, 3 and so on; leave it empty to take the attribute out of the key."));
        }
        if (edit.alternates().stream().anyMatch(number -> number < 1 || number > MAX_ALTERNATE_KEY)) {
            return Optional.of(new Problem("key", "Alternate keys are numbered AK1 to AK" + MAX_ALTERNATE_KEY + "."));
        }
        if (edit.rank().isPresent() && edit.part() instanceof InheritedPart(RelationshipId id)
                && !design.relationships().get(id).mayIdentify()) {
            return Optional.of(
                    new Problem("key", RelationshipEdits.whyNotIdentifying(design, design.relationships().get(id))));
        }
        return Optional.empty();
    }

    private static List<KeyPart> ranked(List<KeyPart> key, KeyPart part, OptionalInt rank) {
        List<KeyPart> next = new ArrayList<>(key);
        next.remove(part);
        if (rank.isPresent()) {
            next.add(Math.min(rank.getAsInt() - 1, next.size()), part);
        }
        return next;
    }

    private static List<AlternateKey> alternates(List<AlternateKey> keys, KeyPart part, Set<Integer> numbers) {
        Set<Integer> all = new TreeSet<>(numbers);
        keys.forEach(key -> all.add(key.number()));
        List<AlternateKey> next = new ArrayList<>();
        for (int number : all) {
            List<KeyPart> parts = new ArrayList<>(keys.stream().filter(key -> key.number() == number).findFirst()
                    .map(AlternateKey::parts).orElse(List.of()));
            if (!numbers.contains(number)) {
                parts.remove(part);
            } else if (!parts.contains(part)) {
                parts.add(part);
            }
            next.add(new AlternateKey(number, parts));
        }
        return next;
    }

    static EditStep move(Design design, Change.MoveMember edit) {
        return switch (edit.owner()) {
            case EntityId id -> design.entities().find(id).map(entity -> moved(design, entity, edit))
                    .orElseGet(() -> EntityEdits.gone(design));
            case RelationshipId id -> design.relationships().find(id).map(relationship -> {
                List<Attribute> attributes = new ArrayList<>(relationship.attributes());
                int from = edit.member() instanceof OwnPart(var attribute) ? indexOf(attributes, attribute) : -1;
                return from < 0 ? EditStep.refused(design, "", "This attribute is no longer there.")
                        : EditStep.done(design.with(relationship.withAttributes(shifted(attributes, from, edit.by()))));
            }).orElseGet(() -> EditStep.refused(design, "", "This relationship is no longer there."));
        };
    }

    private static EditStep moved(Design design, Entity entity, Change.MoveMember edit) {
        int rank = entity.primaryKey().indexOf(edit.member());
        if (rank >= 0) {
            return EditStep.done(design.with(entity.withPrimaryKey(shifted(entity.primaryKey(), rank, edit.by()))));
        }
        List<Member> keyed = new ArrayList<>();
        List<Member> free = new ArrayList<>();
        allMembers(design, entity)
                .forEach(member -> (entity.primaryKey().contains(part(member)) ? keyed : free).add(member));
        int from = free.stream().map(KeyEdits::part).toList().indexOf(edit.member());
        if (from < 0) {
            return EditStep.refused(design, "", "What was moved is no longer part of “" + entity.name() + "”.");
        }
        keyed.addAll(shifted(free, from, edit.by()));
        return EditStep.done(design.with(entity.withMembers(keyed)));
    }

    /** The members with the places of all foreign-key columns made explicit. */
    private static List<Member> allMembers(Design design, Entity entity) {
        List<Member> all = new ArrayList<>(entity.members());
        design.relationshipsOf(entity.id())
                .filter(relationship -> relationship.childEntity().equals(Optional.of(entity.id())))
                .map(relationship -> new ForeignColumns(relationship.id())).filter(place -> !all.contains(place))
                .toList().forEach(all::add);
        return all;
    }

    private static KeyPart part(Member member) {
        return switch (member) {
            case Attribute attribute -> new OwnPart(attribute.id());
            case ForeignColumns(RelationshipId relationship) -> new InheritedPart(relationship);
        };
    }

    private static int indexOf(List<Attribute> attributes, entaxis.core.design.AttributeId id) {
        return attributes.stream().map(Attribute::id).toList().indexOf(id);
    }

    private static <T> List<T> shifted(List<T> list, int from, int by) {
        List<T> next = new ArrayList<>(list);
        int to = Math.clamp((long) from + by, 0, next.size() - 1);
        Collections.rotate(next.subList(Math.min(from, to), Math.max(from, to) + 1), from < to ? -1 : 1);
        return next;
    }
}
