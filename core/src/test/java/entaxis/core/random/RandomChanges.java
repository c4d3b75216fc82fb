package entaxis.core.random;

import entaxis.core.change.AttributeAspect;
import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.change.SheetAspect;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Assumption;
import entaxis.core.design.AssumptionId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.CardSide;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Category.Mapping;
import entaxis.core.design.Category;
import entaxis.core.design.CategoryId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Domain;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Enumeration;
import entaxis.core.design.Exclusion;
import entaxis.core.design.ExclusionId;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart;
import entaxis.core.design.LineShape;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.Naming;
import entaxis.core.design.Notation;
import entaxis.core.design.Note;
import entaxis.core.design.NoteId;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.Partitions.Partition;
import entaxis.core.design.Partitions.Split;
import entaxis.core.design.Partitions;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.SheetView;
import entaxis.core.design.Side;
import entaxis.core.design.StatedDependencies;
import entaxis.core.design.TypeId;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.targets.Target;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning.Method;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;

/** Edits made by chance, of every kind; some of them cannot be applied. */
public final class RandomChanges {
    private RandomChanges() { }

    /** An edit of a design; {@code fresh} makes identities of new elements. */
    public static Change change(Design design, Random random, String fresh) {
        Entity entity = pick(design.entities().list(), random);
        Entity other = pick(design.entities().list(), random);
        Optional<Attribute> attribute =
                entity.attributes().isEmpty() ? Optional.empty() : Optional.of(pick(entity.attributes(), random));
        AttributeId attributeId = attribute.map(Attribute::id).orElse(new AttributeId("anone"));
        RelationshipId relationship = design.relationships().size() == 0 ? new RelationshipId("rnone")
                : pick(design.relationships().list(), random).id();
        Side side = random.nextBoolean() ? Side.FIRST : Side.SECOND;
        Cardinality cardinality = pick(List.of(Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_ONE,
                Cardinality.ONE_OR_MORE, Cardinality.ZERO_OR_MORE), random);
        KeyPart part =
                random.nextBoolean() ? new KeyPart.OwnPart(attributeId) : new KeyPart.InheritedPart(relationship);
        Picked picked = new Picked(entity, other, attributeId, relationship, side, cardinality, part);
        int kind = random.nextInt(54);
        return kind < 25 ? plain(kind, design, random, fresh, picked) : other(kind, design, random, fresh, picked);
    }

    /** Elements that an edit may be about. */
    private record Picked(Entity entity, Entity other, AttributeId attributeId, RelationshipId relationship, Side side,
            Cardinality cardinality, KeyPart part) { }

    private static Change plain(int kind, Design design, Random random, String fresh, Picked picked) {
        return switch (kind) {
            case 0 -> new Change.SetFacts(new DesignProperties("Named " + fresh, Target.H2, "t", "a"));
            case 1 -> new Change.SetPaper(design.sheet().id(), new Paper(Paper.Size.A2, random.nextBoolean()));
            case 2 -> new Change.AddArea(new Area(new AreaId("s" + fresh), "Area " + fresh, random.nextInt(8)));
            case 3 -> new Change.RemoveArea(
                    design.areas().size() == 0 ? new AreaId("snone") : pick(design.areas().list(), random).id());
            case 4 -> new Change.AddEntity(Entity.named(new EntityId("e" + fresh), "Added " + fresh),
                    design.sheet().id(), new Place(random.nextInt(900), 5));
            case 5 -> new Change.RenameEntity(picked.entity().id(), "Renamed " + fresh);
            case 6 -> new Change.DescribeEntity(picked.entity().id(), "meaning " + fresh);
            case 7 -> new Change.AssignArea(picked.entity().id(), design.areas().stream().findFirst().map(Area::id));
            case 8 -> new Change.RemoveEntity(
                    design.entities().size() > 4 ? picked.entity().id() : new EntityId("enone"));
            case 9 -> new Change.AddAttributes(picked.entity().id(),
                    List.of(new Change.NewAttribute(
                            Attribute.of(new AttributeId("a" + fresh), "added_" + fresh, SqlType.integer()),
                    random.nextBoolean(), random.nextBoolean())));
            case 10 ->
                    new Change.AlterAttribute(picked.entity().id(), picked.attributeId(),
                            new AttributeAspect.Name("renamed_" + fresh));
            case 11 -> new Change.AlterAttribute(picked.entity().id(), picked.attributeId(),
                    new AttributeAspect.Type(SqlType.varchar(1 + random.nextInt(90))));
            case 12 -> new Change.AlterAttribute(picked.entity().id(), picked.attributeId(),
                    new AttributeAspect.Required(random.nextBoolean()));
            case 13 -> new Change.RemoveAttribute(picked.entity().id(), picked.attributeId());
            case 14 -> new Change.SetKeys(picked.entity().id(), picked.part(),
                    random.nextBoolean() ? OptionalInt.of(1 + random.nextInt(3)) : OptionalInt.empty(),
                    Set.of(1 + random.nextInt(3)));
            case 15 -> new Change.MoveMember(picked.entity().id(), picked.part(), random.nextInt(7) - 3);
            case 16 -> new Change.AddRelationship(
                    Relationship.between(new RelationshipId("r" + fresh),
                            End.of(picked.entity().id(), picked.cardinality(), "has"),
                    End.of(picked.other().id(), Cardinality.ZERO_OR_MORE, "of")), random.nextBoolean());
            case 17 -> new Change.AlterRelationship(picked.relationship(),
                    new RelationshipAspect.HowMany(picked.side(), picked.cardinality()));
            case 18 -> new Change.AlterRelationship(picked.relationship(),
                    new RelationshipAspect.Identifying(random.nextBoolean()));
            case 19 -> new Change.AlterRelationship(picked.relationship(),
                    new RelationshipAspect.ColumnName(picked.side(), ColumnPath.own(picked.attributeId()),
                            "col_" + fresh));
            case 20 -> new Change.AlterRelationship(picked.relationship(),
                    new RelationshipAspect.OnDelete(pick(List.of(ReferentialAction.values()), random)));
            case 21 -> new Change.SwapEnds(picked.relationship());
            case 22 -> new Change.RemoveRelationship(picked.relationship());
            case 23 -> new Change.PlaceCards(design.sheet().id(),
                    places(picked.entity().id(), picked.other().id(), random));
            case 24 -> new Change.AddRow(
                    new SampleRow(new RowId("w" + fresh), picked.entity().id(),
                            Map.of(ColumnPath.own(picked.attributeId()), "x")));
            default -> throw new IllegalArgumentException("no edit " + kind);
        };
    }

    private static Change other(int kind, Design design, Random random, String fresh, Picked picked) {
        return switch (kind) {
            case 25 -> new Change.PutType(
                    new Enumeration(new TypeId("t" + fresh), "type_" + fresh, List.of("a", "b"), ""));
            case 26 -> new Change.RemoveType(new TypeId("t" + (1 + random.nextInt(3))));
            case 27 -> new Change.PutType(new Domain(new TypeId("t1"), "renamed_" + fresh, SqlType.varchar(9),
                    Optional.empty(), Optional.of("value <> ''"), ""));
            case 28 ->
                    new Change.AlterAttribute(picked.entity().id(), picked.attributeId(),
                            new AttributeAspect.Type(new DesignType("t2")));
            case 29 -> new Change.SetIndexes(picked.entity().id(),
                    List.of(new Index("", random.nextBoolean(),
                            List.of(new IndexPart(picked.part(), random.nextBoolean())))));
            case 30 -> (fresh.hashCode() & 1) == 0
                    ? new Change.SetChecks(picked.entity().id(), List.of(new NamedCheck("rule " + fresh, "1 < 2")))
                    : new Change.SetPartitions(picked.entity().id(), Optional.of(new Partitions(
                            new Split(Method.HASH, List.of("1 + 1")), List.of(new Partition("part_" + fresh, "",
                                    new PartitionBound.Remainder(2, 0), Optional.empty())))));
            case 31 -> new Change.AddSurrogateKey(picked.entity().id(), new AttributeId("a" + fresh), "id_" + fresh);
            case 32 -> new Change.TakeAlternateKey(picked.entity().id(), 1 + random.nextInt(3));
            case 33 ->
                    new Change.MoveAttributes(picked.entity().id(), picked.other().id(), List.of(picked.attributeId()));
            case 34 -> new Change.Resolve(picked.relationship(), new EntityId("e" + fresh), "Between " + fresh,
                    new RelationshipId("r" + fresh), new RelationshipId("rr" + fresh),
                    pick(List.of(Change.AssociativeKey.values()), random), new AttributeId("a" + fresh), List.of());
            case 35 -> new Change.Dissolve(picked.entity().id(), new RelationshipId("r" + fresh));
            case 36 -> new Change.PutCategory(new Category(new CategoryId("c" + fresh), picked.entity().id(),
                    List.of(picked.relationship()), true, random.nextBoolean(),
                    pick(List.of(Mapping.values()), random), ""));
            case 37 -> new Change.PutExclusion(new Exclusion(new ExclusionId("x" + fresh), "", picked.entity().id(),
                    design.relationshipsOf(picked.entity().id()).map(Relationship::id).limit(2).toList(),
                    random.nextBoolean()));
            case 38 -> new Change.PutAssumption(new Assumption(new AssumptionId("u" + fresh),
                    1 + design.assumptions().size(), picked.relationship(), picked.side(), "assumed " + fresh));
            default -> last(kind, design, random, fresh, picked);
        };
    }

    private static Change last(int kind, Design design, Random random, String fresh, Picked picked) {
        return switch (kind) {
            case 39 -> new Change.AddSheet(new Sheet(new SheetId("p" + fresh), "Sheet " + fresh, Paper.DEFAULT,
                    places(picked.entity().id(), picked.other().id(), random)));
            case 40 -> new Change.RemoveSheet(design.sheets().list().getLast().id());
            case 41 -> new Change.AlterSheet(design.sheet().id(),
                    new SheetAspect.Shows(SheetView.DEFAULT.with(pick(List.of(Notation.values()), random))));
            case 42 -> new Change.AlterSheet(design.sheet().id(),
                    new SheetAspect.Hidden(Set.of(picked.entity().id()), random.nextBoolean()));
            case 43 -> new Change.AlterSheet(design.sheet().id(),
                    new SheetAspect.Pinned(Set.copyOf(List.of(picked.entity().id(), picked.other().id())),
                            random.nextBoolean()));
            case 44 -> new Change.AlterSheet(design.sheet().id(),
                    new SheetAspect.Way(picked.relationship().value(),
                            LineShape.FREE.leaving(picked.side(), Optional.of(CardSide.TOP))));
            case 45 -> new Change.AlterSheet(design.sheet().id(), new SheetAspect.PutNote(
                    new Note(new NoteId("n" + fresh), "*note* " + fresh, new Place(1, 2), 200)));
            case 46 -> new Change.SetFacts(design.facts()
                    .naming(new Naming(Naming.Grammar.SINGULAR, Naming.Grammar.PLURAL,
                            pick(List.of(Naming.Letters.values()), random), "_", "t_",
                            Map.of(Naming.Template.FOREIGN_COLUMN, "{parent}_{key}", Naming.Template.PRIMARY_KEY,
                                    "{table}_pk"))));
            case 47 -> new Change.AlterAttribute(picked.entity().id(), picked.attributeId(),
                    new AttributeAspect.Generated(Optional.of("1 + 1")));
            case 50 -> new Change.PutOpaque(
                    new OpaqueSequence(new OpaqueId("v" + fresh), "", "numbers_" + fresh, random.nextInt(9), 1));
            case 51 -> new Change.PutOpaque(new OpaqueProgram(
                    design.carried().stream().findFirst().map(OpaqueObject::id).orElse(new OpaqueId("v" + fresh)),
                    ProgramKind.VIEW, "", "view_" + fresh,
                    pick(List.of(Target.values()), random), "CREATE VIEW view_" + fresh + " AS SELECT 1 AS one"));
            case 52 -> new Change.RemoveOpaque(
                    design.carried().size() == 0 ? new OpaqueId("vnone") : pick(design.carried().list(), random).id());
            case 49 -> new Change.StateDependencies(StatedDependencies.none(picked.entity().id())
                    .stated(List.of(new StatedDependencies.Stated(random.nextBoolean(),
                            List.of(ColumnPath.own(picked.attributeId())),
                            List.of(ColumnPath.own(picked.attributeId())))))
                    .accepted(List.of(new StatedDependencies.Accepted(
                            new StatedDependencies.Stated(false, List.of(),
                                    List.of(ColumnPath.own(picked.attributeId()))),
                            "as it is"))));
            case 48 -> new Change.AlterRelationship(picked.relationship(),
                    new RelationshipAspect.Agreed(picked.side(), "Each thing has one."));
            default -> new Change.Several(List.of(new Change.DescribeEntity(picked.entity().id(), "both"),
                    new Change.AlterRelationship(picked.relationship(),
                            new RelationshipAspect.Role(picked.side(), "role " + fresh))));
        };
    }

    private static Map<OwnerId, Place> places(EntityId first, EntityId second, Random random) {
        Map<OwnerId, Place> places = new HashMap<>();
        places.put(first, new Place(random.nextInt(99), 1));
        places.put(second, new Place(7, random.nextInt(99)));
        return places;
    }

    private static <T> T pick(List<T> list, Random random) {
        return list.get(random.nextInt(list.size()));
    }
}
