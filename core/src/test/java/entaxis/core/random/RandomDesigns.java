package entaxis.core.random;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
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
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.Side;
import entaxis.core.design.Structure.Field;
import entaxis.core.design.Structure;
import entaxis.core.design.TypeId;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Numbering;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/**
 * Designs made by chance, the same for the same seed: every kind of key, type and relationship, with awkward names
 * among them.
 */
public final class RandomDesigns {
    private static final List<String> TYPES = List.of("varchar(40)", "char(5)", "text", "integer", "smallint", "bigint",
            "int unsigned", "numeric(9,2)", "numeric",
            "boolean", "date", "time", "timestamp with time zone", "timestamp(3)", "double precision", "real", "uuid",
            "varbinary(20)", "interval day to second", "tinyint");
    private static final List<String> KEY_TYPES =
            List.of("integer", "bigint", "char(4)", "varchar(20)", "smallint unsigned", "date", "uuid", "numeric(6)");
    private static final List<String> ODD = List.of("Order", "user", "<b>\"'", "Ünïcode näme", "漢字の表", "select",
            "x".repeat(100), "a;b--c", "Ред книга", "Key-Value/Pair");
    private static final List<Cardinality> CARDINALITIES = List.of(Cardinality.EXACTLY_ONE, Cardinality.ZERO_OR_ONE,
            Cardinality.ONE_OR_MORE, Cardinality.ZERO_OR_MORE);

    private final Random random;
    private int next;

    private RandomDesigns(long seed) {
        this.random = new Random(seed);
    }

    /** A design of this many entities and about half as many relationships again. */
    public static Design design(long seed, int entities) {
        return new RandomDesigns(seed).make(entities);
    }

    private Design make(int count) {
        SheetId sheet = new SheetId("p1");
        Design design = Design.empty(new DesignProperties("Random " + count, Target.POSTGRESQL, "", ""),
                new Sheet(sheet, "Sheet 1", Paper.DEFAULT, Map.of()));
        design = apply(design, new Change.PutType(new Domain(new TypeId("t1"), "seed_amount", SqlType.integer(),
                Optional.of("0"), Optional.of("value >= 0"), "it's a count")));
        design = apply(design, new Change.PutType(
                new Enumeration(new TypeId("t2"), "storage_state", List.of("dry", "it's cold", "frozen"), "")));
        design = apply(design,
                new Change.PutType(new Structure(new TypeId("t3"), "map_spot",
                        List.of(new Field("lat", ((Known) TypeReader.read("numeric(8,5)")).type()),
                new Field("State", new DesignType("t2"))), "")));
        design = apply(design, new Change.AddArea(new Area(new AreaId("s1"), "One area", 3)));
        List<EntityId> ids = new ArrayList<>();
        int columns = (int) Math.ceil(Math.sqrt(count));
        for (int i = 0; i < count; i++) {
            Entity entity = entity(i, i < ODD.size() && random.nextInt(3) == 0 ? ODD.get(i) : "Thing " + i);
            design = apply(design,
                    new Change.AddEntity(entity, sheet, new Place(i % columns * 320, i / columns * 260)));
            ids.add(entity.id());
        }
        for (int i = 0; i < count * 3 / 2; i++) {
            int from = random.nextInt(count);
            int to = Math.clamp(from + (long) random.nextInt(9) - 4, 0, count - 1);
            design = applyIfAllowed(design, relationship(ids.get(from), ids.get(to)));
        }
        design = exclusions(design);
        for (int i = 0; i < count / 6; i++) {
            design = categories(design, ids.get(random.nextInt(count)), i, sheet);
        }
        for (int i = 0; i < count / 3; i++) {
            Entity entity = design.entities().get(ids.get(random.nextInt(count)));
            if (!entity.attributes().isEmpty()) {
                design = applyIfAllowed(design, new Change.AddRow(new SampleRow(new RowId("w" + id()), entity.id(),
                        Map.of(ColumnPath.own(entity.attributes().getFirst().id()), "value " + i))));
            }
        }
        for (int i = random.nextInt(3); i > 0; i--) {
            design = apply(design, new Change.PutOpaque(new OpaqueSequence(new OpaqueId("v" + id()), "", "numbers_" + i,
                    1 + random.nextInt(100), 1 + random.nextInt(9))));
        }
        return design;
    }

    private Entity entity(int number, String name) {
        List<Member> members = new ArrayList<>();
        List<KeyPart> key = new ArrayList<>();
        int keys = random.nextInt(10) == 0 ? 0 : 1 + random.nextInt(2);
        for (int i = 0; i < keys; i++) {
            boolean surrogate = i == 0 && keys == 1 && random.nextBoolean();
            Attribute attribute = Attribute.of(new AttributeId("a" + id()), surrogate ? "id" : "key_" + i,
                    surrogate ? SqlType.integer() : type(KEY_TYPES));
            members.add(surrogate
                    ? attribute.numbered(
                            random.nextBoolean() ? Identity.ALWAYS : Identity.BY_DEFAULT,
                            random.nextBoolean() ? Optional.empty() : Optional.of(new Numbering(100, 5)))
                    : attribute);
            key.add(new OwnPart(attribute.id()));
        }
        List<AlternateKey> alternates = new ArrayList<>();
        int others = random.nextInt(8);
        for (int i = 0; i < others; i++) {
            Attribute attribute = attribute(random.nextInt(12) == 0 ? "group " + i : "field_" + number + "_" + i);
            members.add(random.nextInt(members.size() + 1), attribute);
            if (random.nextInt(5) == 0
                    && !(attribute.type() instanceof SqlType.CharacterType(SqlType.Form form, var length)
                            && form == SqlType.Form.LARGE)) {
                alternates.add(new AlternateKey(alternates.size() + 1, List.of(new OwnPart(attribute.id()))));
            }
        }
        return new Entity(new EntityId("e" + id()), name, random.nextBoolean() ? "what it's for; \"quoted\"" : "",
                random.nextBoolean() ? Optional.of(new AreaId("s1")) : Optional.empty(), members, key, alternates,
                indexes(members),
                random.nextInt(4) == 0 ? List.of(new NamedCheck(random.nextBoolean() ? "" : "rule of " + next, "1 < 2"))
                        : List.of(), Optional.empty());
    }

    private Attribute attribute(String name) {
        SqlType type = type(TYPES);
        Attribute attribute = Attribute.of(new AttributeId("a" + id()), name, type).required(random.nextBoolean());
        if (random.nextInt(4) == 0) {
            attribute = attribute.meaning("says it's number " + next);
        }
        if (type instanceof SqlType.DateType && random.nextBoolean()) {
            attribute = attribute.withDefault(Optional.of("current_date"));
        }
        if (type instanceof SqlType.IntegerType && random.nextBoolean()) {
            attribute = attribute.withDefault(Optional.of("7"));
            attribute = name.contains(" ") ? attribute : attribute.withCheck(Optional.of(name + " between 0 and 100"),
                    random.nextInt(3) == 0 ? "range of " + next : "");
        } else if (random.nextInt(9) == 0) {
            attribute = attribute.withDefault(Optional.empty()).typed(new DesignType("t" + (1 + random.nextInt(3))));
        } else if (type instanceof SqlType.IntegerType && random.nextInt(3) == 0) {
            attribute = attribute.required(false).computed(Optional.of("1 + 2"));
        }
        return attribute;
    }

    private Change relationship(EntityId from, EntityId to) {
        Relationship relationship = Relationship.between(new RelationshipId("r" + id()),
                End.of(from, pick(CARDINALITIES), "has").role(random.nextInt(4) == 0 ? "Chief " + next : ""),
                End.of(to, pick(CARDINALITIES), "belongs to"));
        relationship = relationship.withChild(pick(List.of(Side.values()))).acting(pick(List.of(
                ReferentialAction.NO_ACTION, ReferentialAction.CASCADE,
                ReferentialAction.RESTRICT)), pick(List.of(ReferentialAction.NO_ACTION, ReferentialAction.CASCADE)));
        if (relationship.manyToMany() && random.nextBoolean()) {
            relationship = relationship.withAttributes(List.of(attribute("amount")));
        }
        return new Change.AddRelationship(relationship, relationship.mayIdentify() && random.nextInt(3) == 0);
    }

    private Design exclusions(Design start) {
        Design design = start;
        for (Entity entity : start.entities()) {
            List<RelationshipId> references = start.relationshipsOf(entity.id())
                    .filter(relationship -> relationship.childEntity().equals(Optional.of(entity.id()))
                    && !start.identifying(relationship)).map(Relationship::id).toList();
            if (references.size() > 1 && random.nextInt(3) == 0) {
                design = applyIfAllowed(design, new Change.PutExclusion(new Exclusion(new ExclusionId("x" + id()), "",
                        entity.id(), references.subList(0, 2), random.nextBoolean())));
            }
        }
        return design;
    }

    private Design categories(Design start, EntityId general, int number, SheetId sheet) {
        Design design = start;
        List<RelationshipId> kinds = new ArrayList<>();
        for (int i = 0; i < 2; i++) {
            Entity kind = Entity.named(new EntityId("e" + id()), "Kind " + number + " " + i)
                    .withMembers(List.of(Attribute.of(new AttributeId("a" + id()), "note", SqlType.varchar(20))
                            .required(random.nextBoolean()), attribute("only " + i)));
            design = apply(design, new Change.AddEntity(kind, sheet, new Place(-400 * (i + 1), number * 200)));
            RelationshipId kindOf = new RelationshipId("r" + id());
            kinds.add(kindOf);
            design = applyIfAllowed(design,
                    new Change.AddRelationship(
                            Relationship.between(kindOf, End.of(general, Cardinality.EXACTLY_ONE, "is"),
                    End.of(kind.id(), Cardinality.ZERO_OR_ONE, "is")), true));
        }
        return applyIfAllowed(design,
                new Change.PutCategory(new Category(new CategoryId("c" + id()), general, kinds, random.nextBoolean(),
                        random.nextBoolean(),
                pick(List.of(Mapping.values())), "")));
    }

    private List<Index> indexes(List<Member> members) {
        List<IndexPart> parts = members.stream().filter(Attribute.class::isInstance).map(Attribute.class::cast)
                .filter(attribute -> !(attribute.type() instanceof DesignType
                        || attribute.type() instanceof SqlType.CharacterType(SqlType.Form form, var length)
                                && form == SqlType.Form.LARGE))
                .filter(attribute -> random.nextInt(3) == 0).limit(3)
                .map(attribute -> new IndexPart(new OwnPart(attribute.id()), random.nextBoolean())).toList();
        return parts.isEmpty() ? List.of()
                : List.of(new Index(random.nextBoolean() ? "" : "index of " + next, random.nextInt(4) == 0, parts));
    }

    private SqlType type(List<String> spellings) {
        return ((Known) TypeReader.read(pick(spellings))).type();
    }

    private <T> T pick(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    private String id() {
        return Integer.toString(++next, 36);
    }

    private static Design apply(Design design, Change change) {
        return ((Applied) Editor.apply(design, change)).design();
    }

    private static Design applyIfAllowed(Design design, Change change) {
        return Editor.apply(design, change) instanceof Applied(Design next, var inverse) ? next : design;
    }
}
