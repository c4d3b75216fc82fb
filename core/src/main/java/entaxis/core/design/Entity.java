package entaxis.core.design;

import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/**
 * A kind of thing that the business keeps facts about (Chen 1976).
 *
 * @param meaning       what one of it is, in words; may be empty
 * @param area          the subject area it belongs to
 * @param members       its attributes in order, with the places of foreign-key columns where the designer set them
 * @param primaryKey    parts of the primary key in rank order; empty while none is chosen
 * @param alternateKeys further keys, by number
 * @param indexes       indexes that its table gets
 * @param checks        conditions on more than one attribute
 * @param partitions    how the rows of its table are split, if they are
 */
public record Entity(EntityId id, String name, String meaning, Optional<AreaId> area, List<Member> members,
        List<KeyPart> primaryKey,
        List<AlternateKey> alternateKeys, List<Index> indexes, List<NamedCheck> checks,
        Optional<Partitions> partitions)
        implements Elements.Element<EntityId> {

    /** Copies the lists. */
    public Entity {
        members = List.copyOf(members);
        primaryKey = List.copyOf(primaryKey);
        alternateKeys = List.copyOf(alternateKeys);
        indexes = List.copyOf(indexes);
        checks = List.copyOf(checks);
    }

    /** An entity without indexes and checks. */
    public Entity(EntityId id, String name, String meaning, Optional<AreaId> area, List<Member> members,
            List<KeyPart> primaryKey, List<AlternateKey> alternateKeys) {
        this(id, name, meaning, area, members, primaryKey, alternateKeys, List.of(), List.of(), Optional.empty());
    }

    /** An entity that has only a name as yet. */
    public static Entity named(EntityId id, String name) {
        return new Entity(id, name, "", Optional.empty(), List.of(), List.of(), List.of());
    }

    /** Its own attributes in order. */
    public List<Attribute> attributes() {
        List<Attribute> own = new ArrayList<>(members.size());
        for (Member member : members) {
            if (member instanceof Attribute attribute) {
                own.add(attribute);
            }
        }
        return Collections.unmodifiableList(own);
    }

    /** Its own attribute of this identity, if there is one. */
    public Optional<Attribute> attribute(AttributeId attribute) {
        for (Member member : members) {
            if (member instanceof Attribute own && own.id().equals(attribute)) {
                return Optional.of(own);
            }
        }
        return Optional.empty();
    }

    /** Whether the relationship's columns are part of its primary key. */
    public boolean identifiedBy(RelationshipId relationship) {
        return primaryKey.contains(new InheritedPart(relationship));
    }

    /** Whether the attribute is part of its primary key. */
    public boolean inKey(AttributeId attribute) {
        return primaryKey.contains(new OwnPart(attribute));
    }

    /** Whether it needs a parent to be identified; drawn with rounded corners (FIPS PUB 184). */
    public boolean dependent() {
        return primaryKey.stream().anyMatch(InheritedPart.class::isInstance);
    }

    /** The same with another name. */
    public Entity renamed(String newName) {
        return new Entity(id, newName, meaning, area, members, primaryKey, alternateKeys, indexes, checks, partitions);
    }

    /** The same with another meaning. */
    public Entity meaning(String words) {
        return new Entity(id, name, words, area, members, primaryKey, alternateKeys, indexes, checks, partitions);
    }

    /** The same in another subject area or none. */
    public Entity in(Optional<AreaId> newArea) {
        return new Entity(id, name, meaning, newArea, members, primaryKey, alternateKeys, indexes, checks, partitions);
    }

    /** The same with other members. */
    public Entity withMembers(List<Member> newMembers) {
        return new Entity(id, name, meaning, area, newMembers, primaryKey, alternateKeys, indexes, checks, partitions);
    }

    /** The same with another primary key. */
    public Entity withPrimaryKey(List<KeyPart> parts) {
        return new Entity(id, name, meaning, area, members, parts, alternateKeys, indexes, checks, partitions);
    }

    /** The same with other alternate keys; those left without parts go. */
    public Entity withAlternateKeys(List<AlternateKey> keys) {
        return new Entity(id, name, meaning, area, members, primaryKey,
                keys.stream().filter(key -> !key.parts().isEmpty())
                .sorted(java.util.Comparator.comparingInt(AlternateKey::number)).toList(), indexes, checks,
                partitions);
    }

    /** The same with other indexes; those left without parts go. */
    public Entity withIndexes(List<Index> other) {
        return new Entity(id, name, meaning, area, members, primaryKey, alternateKeys,
                other.stream().filter(index -> !index.parts().isEmpty()).toList(), checks, partitions);
    }

    /** The same with other conditions. */
    public Entity withChecks(List<NamedCheck> other) {
        return new Entity(id, name, meaning, area, members, primaryKey, alternateKeys, indexes, other, partitions);
    }

    /** The same with its rows split otherwise, or not at all. */
    public Entity withPartitions(Optional<Partitions> other) {
        return new Entity(id, name, meaning, area, members, primaryKey, alternateKeys, indexes, checks, other);
    }

    /** The same with an attribute in the place of the one of its identity. */
    public Entity withAttribute(Attribute changed) {
        return withMembers(members.stream()
                .map(member -> member instanceof Attribute own && own.id().equals(changed.id()) ? changed : member)
                .toList());
    }

    /** The same without a part in any of its keys and indexes. */
    public Entity withoutKeyPart(KeyPart part) {
        return withPrimaryKey(without(primaryKey, part))
                .withAlternateKeys(alternateKeys.stream()
                        .map(key -> new AlternateKey(key.number(), without(key.parts(), part))).toList())
                .withIndexes(indexes.stream().map(index -> new Index(index.name(), index.unique(),
                        index.parts().stream().filter(indexed -> !indexed.part().equals(part)).toList())).toList());
    }

    /** The same without an attribute, which leaves its keys too. */
    public Entity withoutAttribute(AttributeId attribute) {
        return withoutKeyPart(new OwnPart(attribute))
                .withMembers(members.stream()
                        .filter(member -> !(member instanceof Attribute own && own.id().equals(attribute))).toList());
    }

    /** The same without any trace of a relationship. */
    public Entity withoutRelationship(RelationshipId relationship) {
        return withoutKeyPart(new InheritedPart(relationship))
                .withMembers(
                        members.stream().filter(member -> !member.equals(new ForeignColumns(relationship))).toList());
    }

    private static List<KeyPart> without(List<KeyPart> parts, KeyPart part) {
        List<KeyPart> rest = new ArrayList<>(parts);
        rest.remove(part);
        return rest;
    }
}
