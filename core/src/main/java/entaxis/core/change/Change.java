package entaxis.core.change;

import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Assumption;
import entaxis.core.design.AssumptionId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Category;
import entaxis.core.design.CategoryId;
import entaxis.core.design.Decision;
import entaxis.core.design.DecisionId;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Exclusion;
import entaxis.core.design.ExclusionId;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.NamedType;
import entaxis.core.design.Partitions;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.StatedDependencies;
import entaxis.core.design.TypeId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/**
 * One edit. New elements carry their identities, so that applying a change is deterministic and it can be replayed from
 * a journal.
 */
public sealed interface Change
        permits Change.SetFacts, Change.SetPaper, Change.AddArea, Change.AlterArea, Change.RemoveArea, Change.AddEntity,
        Change.RenameEntity, Change.DescribeEntity, Change.AssignArea, Change.RemoveEntity, Change.AddAttributes,
        Change.AlterAttribute,
        Change.RemoveAttribute, Change.SetKeys, Change.MoveMember, Change.AddRelationship, Change.AlterRelationship,
        Change.SwapEnds,
        Change.RemoveRelationship, Change.PlaceCards, Change.AddRow, Change.RemoveRow, Change.PutType,
        Change.RemoveType, Change.SetIndexes, Change.SetChecks, Change.SetPartitions,
        Change.AddSurrogateKey, Change.TakeAlternateKey, Change.MoveAttributes, Change.Resolve, Change.Dissolve,
        Change.PutCategory, Change.RemoveCategory,
        Change.PutExclusion, Change.RemoveExclusion, Change.PutAssumption, Change.RemoveAssumption, Change.AddSheet,
        Change.AlterSheet, Change.RemoveSheet,
        Change.StateDependencies, Change.PutOpaque, Change.RemoveOpaque, Change.PutRow, Change.Decide, Change.Withdraw,
        Change.Several, Patch {

    /** Sets name, target, title and author of the design. */
    record SetFacts(DesignProperties facts) implements Change { }

    /** Puts a sheet on other paper. */
    record SetPaper(SheetId sheet, Paper paper) implements Change { }

    /** Adds a subject area. */
    record AddArea(Area area) implements Change { }

    /** Renames or recolours a subject area. */
    record AlterArea(Area area) implements Change { }

    /** Removes a subject area; its entities stay, without one. */
    record RemoveArea(AreaId area) implements Change { }

    /** Adds an entity and lays its card on a sheet. */
    record AddEntity(Entity entity, SheetId sheet, Place place) implements Change { }

    /** Gives an entity another name. */
    record RenameEntity(EntityId entity, String name) implements Change { }

    /** Says what an entity is. */
    record DescribeEntity(EntityId entity, String meaning) implements Change { }

    /** Puts an entity into a subject area, or out of any. */
    record AssignArea(EntityId entity, Optional<AreaId> area) implements Change { }

    /** Removes an entity with its relationships, its sample rows and its places on sheets. */
    record RemoveEntity(EntityId entity) implements Change { }

    /**
     * A new attribute, and the keys that it joins at once.
     *
     * @param inPrimaryKey whether it becomes the last part of the primary key
     * @param unique       whether it becomes an alternate key by itself
     */
    record NewAttribute(Attribute attribute, boolean inPrimaryKey, boolean unique) { }

    /** Adds attributes to an entity or a many-to-many, behind those that are there. */
    record AddAttributes(OwnerId owner, List<NewAttribute> attributes) implements Change {
        /** Copies the list. */
        public AddAttributes {
            attributes = List.copyOf(attributes);
        }
    }

    /** Changes one aspect of an attribute. */
    record AlterAttribute(OwnerId owner, AttributeId attribute, AttributeAspect aspect) implements Change { }

    /** Removes an attribute, also from the keys that it is part of. */
    record RemoveAttribute(OwnerId owner, AttributeId attribute) implements Change { }

    /**
     * States in which keys of an entity an attribute, or the columns of a relationship, take part.
     *
     * @param rank       rank in the primary key from 1, or none; later parts move up
     * @param alternates numbers of the alternate keys that it is part of
     */
    record SetKeys(EntityId entity, KeyPart part, OptionalInt rank, Set<Integer> alternates) implements Change {
        /** Copies the numbers. */
        public SetKeys {
            alternates = Set.copyOf(alternates);
        }
    }

    /**
     * Moves an attribute or the columns of a relationship by places: within the primary key if it is part of it, else
     * among the others.
     */
    record MoveMember(OwnerId owner, KeyPart member, int by) implements Change { }

    /** Adds a relationship. */
    record AddRelationship(Relationship relationship, boolean identifying) implements Change { }

    /** Changes one aspect of a relationship. */
    record AlterRelationship(RelationshipId relationship, RelationshipAspect aspect) implements Change { }

    /** Exchanges the two entities of a relationship; everything else stays at its end. */
    record SwapEnds(RelationshipId relationship) implements Change { }

    /** Removes a relationship with the columns that it made. */
    record RemoveRelationship(RelationshipId relationship) implements Change { }

    /** Lays cards at places on a sheet. */
    record PlaceCards(SheetId sheet, Map<OwnerId, Place> places) implements Change {
        /** Copies the places. */
        public PlaceCards {
            places = Map.copyOf(places);
        }
    }

    /** States the dependencies of an entity's table, and the faults that stay. */
    record StateDependencies(StatedDependencies dependencies) implements Change { }

    /** Adds a sample row. */
    record AddRow(SampleRow row) implements Change { }

    /** Removes a sample row. */
    record RemoveRow(RowId row) implements Change { }

    /** Defines a type, or redefines it for every attribute that has it. */
    record PutType(NamedType type) implements Change { }

    /** Removes a type; attributes that have it take what it was made of. */
    record RemoveType(TypeId type) implements Change { }

    /** States all indexes of an entity's table. */
    record SetIndexes(EntityId entity, List<Index> indexes) implements Change {
        /** Copies the list. */
        public SetIndexes {
            indexes = List.copyOf(indexes);
        }
    }

    /** States all conditions on more than one attribute of an entity. */
    record SetChecks(EntityId entity, List<NamedCheck> checks) implements Change {
        /** Copies the list. */
        public SetChecks {
            checks = List.copyOf(checks);
        }
    }

    /** Splits the rows of an entity's table among partitions, or no longer. */
    record SetPartitions(EntityId entity, Optional<Partitions> partitions) implements Change { }

    /**
     * Gives an entity a generated key in the place of its natural one, which becomes an alternate key; children and
     * sample rows follow.
     */
    record AddSurrogateKey(EntityId entity, AttributeId attribute, String name) implements Change { }

    /**
     * Makes an alternate key the primary one. A generated key that it displaces goes; any other becomes an alternate
     * key. Children and sample rows follow.
     */
    record TakeAlternateKey(EntityId entity, int number) implements Change { }

    /** Moves attributes from one entity to another, out of the keys that they were part of. */
    record MoveAttributes(EntityId from, EntityId to, List<AttributeId> attributes) implements Change {
        /** Copies the list. */
        public MoveAttributes {
            attributes = List.copyOf(attributes);
        }
    }

    /** What the key of an associative entity is made of. */
    enum AssociativeKey { PARENTS, OWN, LINE_NUMBER }

    /**
     * Resolves a many-to-many into an associative entity with a one-to-many from each parent.
     *
     * @param entity     identity of the new entity
     * @param first      identity of the relationship from the first parent
     * @param second     identity of the relationship from the second parent
     * @param attribute  identity of the generated key or line number, where there is one
     * @param attributes attributes that it gets at once, behind those of the many-to-many
     */
    record Resolve(RelationshipId relationship, EntityId entity, String name, RelationshipId first,
            RelationshipId second, AssociativeKey key, AttributeId attribute,
            List<NewAttribute> attributes) implements Change {
        /** Copies the list. */
        public Resolve {
            attributes = List.copyOf(attributes);
        }
    }

    /** Makes a many-to-many again of an associative entity that has no attributes of its own. */
    record Dissolve(EntityId entity, RelationshipId relationship) implements Change { }

    /** States a category, new or in the place of the one of its identity. */
    record PutCategory(Category category) implements Change { }

    /** Removes a category; the entities and their one-to-one relationships stay. */
    record RemoveCategory(CategoryId category) implements Change { }

    /**
     * States an exclusion, new or in the place of the one of its identity; its relationships become optional for the
     * child.
     */
    record PutExclusion(Exclusion exclusion) implements Change { }

    /** Takes an exclusion back. */
    record RemoveExclusion(ExclusionId exclusion) implements Change { }

    /** Writes an assumption down, new or in the place of the one of its identity. */
    record PutAssumption(Assumption assumption) implements Change { }

    /** Takes an assumption away. */
    record RemoveAssumption(AssumptionId assumption) implements Change { }

    /** Adds a sheet. */
    record AddSheet(Sheet sheet) implements Change { }

    /** Changes one aspect of a sheet. */
    record AlterSheet(SheetId sheet, SheetAspect aspect) implements Change { }

    /** Removes a sheet, not the last one; the design keeps what it shows. */
    record RemoveSheet(SheetId sheet) implements Change { }

    /** Carries a view, routine, trigger or sequence along, new or in the place of the one of its identity. */
    record PutOpaque(OpaqueObject carried) implements Change { }

    /** No longer carries something along. */
    record RemoveOpaque(OpaqueId carried) implements Change { }

    /** Gives a sample row other values; it stays where it is. */
    record PutRow(SampleRow row) implements Change { }

    /** States what is decided about a rule or a finding, new or in the place of what was decided before. */
    record Decide(Decision decision) implements Change { }

    /** Takes a decision about a rule or a finding back. */
    record Withdraw(DecisionId decision) implements Change { }

    /** Several edits in order, as one step: all of them or none. */
    record Several(List<Change> changes) implements Change {
        /** Copies the list. */
        public Several {
            changes = List.copyOf(changes);
        }
    }
}
