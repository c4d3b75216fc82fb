package entaxis.core.change;

import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Facts;
import entaxis.core.design.KeyPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.SheetId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/** One edit. New elements carry their identities, so that applying a change is deterministic and it can be replayed from a journal. */
public sealed interface Change permits Change.SetFacts, Change.SetPaper, Change.AddArea, Change.AlterArea, Change.RemoveArea, Change.AddEntity,
        Change.RenameEntity, Change.DescribeEntity, Change.AssignArea, Change.RemoveEntity, Change.AddAttributes, Change.AlterAttribute,
        Change.RemoveAttribute, Change.SetKeys, Change.MoveMember, Change.AddRelationship, Change.AlterRelationship, Change.TurnRound,
        Change.RemoveRelationship, Change.PlaceCards, Change.AddRow, Change.RemoveRow, Change.Several, Patch {

    /** Sets name, target, title and author of the design. */
    record SetFacts(Facts facts) implements Change { }

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

    /** Moves an attribute or the columns of a relationship by places: within the primary key if it is part of it, else among the others. */
    record MoveMember(OwnerId owner, KeyPart member, int by) implements Change { }

    /** Adds a relationship. */
    record AddRelationship(Relationship relationship, boolean identifying) implements Change { }

    /** Changes one aspect of a relationship. */
    record AlterRelationship(RelationshipId relationship, RelationshipAspect aspect) implements Change { }

    /** Exchanges the two entities of a relationship; everything else stays at its end. */
    record TurnRound(RelationshipId relationship) implements Change { }

    /** Removes a relationship with the columns that it made. */
    record RemoveRelationship(RelationshipId relationship) implements Change { }

    /** Lays cards at places on a sheet. */
    record PlaceCards(SheetId sheet, Map<OwnerId, Place> places) implements Change {
        /** Copies the places. */
        public PlaceCards {
            places = Map.copyOf(places);
        }
    }

    /** Adds a sample row. */
    record AddRow(SampleRow row) implements Change { }

    /** Removes a sample row. */
    record RemoveRow(RowId row) implements Change { }

    /** Several edits in order, as one step: all of them or none. */
    record Several(List<Change> changes) implements Change {
        /** Copies the list. */
        public Several {
            changes = List.copyOf(changes);
        }
    }
}
