package entaxis.engines.review;

import entaxis.core.change.Change;
import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Domain;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Enumeration;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Paper;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.RowId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.Side;
import entaxis.core.design.TypeId;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading.Known;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/**
 * Small designs made by chance, with faults put in at random or with none: three entities that refer to each other,
 * each with sample rows.
 */
final class FaultyDesigns {
    /**
     * What attributes of one type are made with.
     *
     * @param fit    values that the type takes; the first one meets each of the conditions
     * @param unfit  values that it does not take
     * @param met    conditions, {@code %s} for the column
     * @param never  conditions that no value meets
     */
    private record Kind(SqlType type, List<String> fit, List<String> unfit, List<String> met, List<String> never) { }

    /** A design, and for each attribute a value that it takes. */
    record Made(Design design, Map<AttributeId, String> fit) { }

    private static final List<Kind> KINDS = List.of(
            new Kind(typed("varchar(8)"), List.of("abc", "frost", "it's"), List.of("far too long a text", "123456789"),
                    List.of("%s <> 'zz'", "%s in ('abc', 'frost')", "char_length(%s) > 1", "%s is not null"),
                    List.of("%s = 'a' and %s = 'b'", "%s in ('a', 'b') and %s not in ('a', 'b', 'c')")),
            new Kind(typed("char(3)"), List.of("abc", "xyz"), List.of("abcd"), List.of("%s <> 'zzz'"),
                    List.of("%s = 'abc' and %s = 'abd'")),
            new Kind(typed("smallint"), List.of("5", "7"), List.of("70000", "-40000", "five"),
                    List.of("%s between 1 and 9", "%s > 0 or %s < -5", "not (%s = 6)", "%s in (5, 7)"),
                    List.of("%s > 9 and %s < 3", "%s between 9 and 3", "%s > 40000", "%s in (1, 2) and %s > 2")),
            new Kind(typed("integer"), List.of("12", "-1"), List.of("3000000000", "many"),
                    List.of("%s <> 13", "%s >= -5", "%s + 1 > 0"), List.of("%s > 4 and %s < 5")),
            new Kind(typed("bigint"), List.of("12", "9007199254740993"), List.of("9223372036854775808"),
                    List.of("%s > 0"), List.of("%s < 0 and %s > 0")),
            new Kind(typed("numeric(5,2)"), List.of("12.5", "3.25", "999.99"), List.of("12345", "twelve", "1000"),
                    List.of("%s >= 0", "%s < 100 or %s > 200"),
                    List.of("%s > 10 and %s < 10.01", "%s > 5000")),
            new Kind(typed("date"), List.of("2026-03-04", "2024-02-29"),
                    List.of("2026-02-30", "2026-13-01", "2025-02-29"), List.of("%s >= date '2026-01-01'"),
                    List.of("%s > date '2026-05-01' and %s < date '2026-04-01'",
                            "%s > date '2026-05-01' and %s < date '2026-05-02'")),
            new Kind(typed("boolean"), List.of("true", "false"), List.of("perhaps"), List.of("%s"), List.of()),
            new Kind(new SqlType.DesignType("t1"), List.of("dry", "chilled", "it's cold"), List.of("wet", "Dry "),
                    List.of("%s <> 'chilled'"), List.of("%s <> 'dry' and %s = 'dry'")),
            new Kind(new SqlType.DesignType("t2"), List.of("4", "40"), List.of("-3", "101"), List.of("%s <> 7"),
                    List.of("%s < 0", "%s > 50 and %s < 40")));

    /** Conditions that values meet which the type does not have, but which an engine without strict types keeps. */
    private static final Set<String> BY_TYPE_ALONE = Set.of("%s > 40000", "%s > 4 and %s < 5", "%s > 10 and %s < 10.01",
            "%s > 5000", "%s > date '2026-05-01' and %s < date '2026-05-02'");

    private static final SheetId SHEET = new SheetId("p1");
    private static final List<String> NAMES = List.of("Alpha", "Beta", "Gamma");

    private final Random random;
    private final boolean faults;
    private final boolean strict;
    private final Map<AttributeId, Kind> kinds = new HashMap<>();
    private final Map<AttributeId, String> fit = new HashMap<>();
    private int next;

    private FaultyDesigns(long seed, boolean faults, boolean strict) {
        this.strict = strict;
        this.random = new Random(seed * 2 + (faults ? 1 : 0));
        this.faults = faults;
    }

    /** A design for an engine; the same for the same seed. */
    static Made of(long seed, boolean faults, Target target) {
        return new FaultyDesigns(seed, faults, Dialect.of(target).holdsTypes()).make(target);
    }

    private static SqlType typed(String spelling) {
        return ((Known) TypeReader.read(spelling)).type();
    }

    private Made make(Target target) {
        Design design = Design.empty(new DesignProperties("Faults", target, "", ""),
                new Sheet(SHEET, "Sheet 1", Paper.DEFAULT, Map.of()));
        design = apply(design, new Change.PutType(
                new Enumeration(new TypeId("t1"), "state", List.of("dry", "chilled", "it's cold"), "")));
        design = apply(design, new Change.PutType(new Domain(new TypeId("t2"), "share", SqlType.integer(),
                Optional.empty(), Optional.of("value between 0 and 100"), "")));
        List<EntityId> ids = new ArrayList<>();
        for (String name : NAMES) {
            Entity entity = entity(name);
            design = apply(design, new Change.AddEntity(entity, SHEET, new Place(ids.size() * 400, 0)));
            ids.add(entity.id());
        }
        design = reference(design, ids.get(0), ids.get(1), random.nextInt(4) > 0);
        design = reference(design, ids.get(1), ids.get(2), true);
        if (faults && random.nextInt(6) == 0) {
            design = reference(design, ids.get(2), ids.get(0), random.nextBoolean());
        }
        for (EntityId id : ids) {
            for (int row = 1; row <= 3; row++) {
                design = apply(design, new Change.AddRow(row(design, design.entities().get(id), row)));
            }
        }
        return new Made(design, fit);
    }

    private Entity entity(String name) {
        Attribute key = Attribute.of(new AttributeId("a" + ++next), name + " no", SqlType.integer());
        List<Attribute> members = new ArrayList<>(List.of(key));
        int fields = 2 + random.nextInt(4);
        for (int i = 0; i < fields; i++) {
            Kind kind = pick(KINDS);
            AttributeId id = new AttributeId("a" + ++next);
            kinds.put(id, kind);
            fit.put(id, kind.fit().getFirst());
            String field = "field_" + i;
            Attribute own = Attribute.of(id, field, kind.type()).required(random.nextBoolean());
            boolean met = random.nextInt(3) == 0 && !kind.met().isEmpty();
            List<String> never = kind.never().stream().filter(one -> strict || !BY_TYPE_ALONE.contains(one)).toList();
            if (faults && random.nextInt(6) == 0 && !never.isEmpty()) {
                own = own.withCheck(Optional.of(pick(never).replace("%s", field)));
                fit.put(id, own.required() ? kind.fit().getFirst() : "null");
            } else if (met) {
                own = own.withCheck(Optional.of(pick(kind.met()).replace("%s", field)));
            }
            if (random.nextInt(3) == 0) {
                own = own.withDefault(Optional
                        .of(literal(faults && random.nextInt(3) == 0 ? pick(kind.unfit()) : kind.fit().getFirst())));
            }
            members.add(own);
        }
        return new Entity(new EntityId("e" + ++next), name, "", Optional.empty(), List.copyOf(members),
                List.of(new KeyPart.OwnPart(key.id())), List.of(), List.of(), List.of(), Optional.empty());
    }

    private static String literal(String value) {
        return value.matches("-?[0-9.]+") || value.equals("true") ? value : "'" + value.replace("'", "''") + "'";
    }

    /**
     * With a reference; its action is given to it as a script may have it, because the editor refuses to empty what is
     * required.
     */
    private Design reference(Design design, EntityId parent, EntityId child, boolean required) {
        List<ReferentialAction> actions = faults || !required
                ? List.of(ReferentialAction.NO_ACTION, ReferentialAction.CASCADE, ReferentialAction.SET_NULL)
                : List.of(ReferentialAction.NO_ACTION, ReferentialAction.CASCADE);
        Relationship made = Relationship.between(new RelationshipId("r" + ++next),
                End.of(parent, required ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE, "has"),
                End.of(child, Cardinality.ZERO_OR_MORE, "belongs to")).withChild(Side.SECOND);
        return apply(design, new Change.AddRelationship(made, false))
                .with(made.acting(pick(actions), ReferentialAction.NO_ACTION));
    }

    private SampleRow row(Design design, Entity entity, int number) {
        EntityId ring = design.relationships().list().size() < 3 ? new EntityId("e0")
                : design.relationships().list().getLast().first().entity();
        Map<ColumnPath, String> values = new HashMap<>();
        for (Attribute own : entity.attributes()) {
            ColumnPath column = ColumnPath.own(own.id());
            Kind kind = kinds.get(own.id());
            if (kind == null) {
                values.put(column, faults && random.nextInt(12) == 0 ? "1" : String.valueOf(number));
            } else if (faults && random.nextInt(12) == 0) {
                values.put(column, random.nextBoolean() ? pick(kind.unfit()) : "");
            } else {
                values.put(column, own.check().isPresent() ? kind.fit().getFirst() : pick(kind.fit()));
            }
        }
        design.relationshipsOf(entity.id()).filter(one -> one.childEntity().equals(Optional.of(entity.id())))
                .forEach(one -> {
            AttributeId key = design.entities().get(one.parentEntity().orElseThrow()).attributes().getFirst().id();
                    values.put(ColumnPath.own(key).over(one.id(), one.parent().orElseThrow()),
                            one.first().entity().equals(ring) ? "" : faults && random.nextInt(12) == 0 ? "77"
                    : String.valueOf(number));
        });
        return new SampleRow(new RowId("w" + ++next), entity.id(), values);
    }

    private <T> T pick(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    private static Design apply(Design design, Change change) {
        return switch (Editor.apply(design, change)) {
            case Applied(Design next, var inverse) -> next;
            case Object refused -> throw new AssertionError(refused.toString());
        };
    }
}
