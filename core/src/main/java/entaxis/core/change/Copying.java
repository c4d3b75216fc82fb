package entaxis.core.change;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.Area;
import entaxis.core.design.AreaId;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Enumeration;
import entaxis.core.design.ForeignColumns;
import entaxis.core.design.Fresh;
import entaxis.core.design.Index;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.NamedType;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Place;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.design.Side;
import entaxis.core.design.Structure;
import entaxis.core.design.Structure.Field;
import entaxis.core.design.TypeId;
import entaxis.core.type.SqlType;
import entaxis.core.type.SqlType.DesignType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Copies of entities, within a design and from one design to another. */
public final class Copying {
    private static final int BESIDE = 40;

    private Copying() { }

    /**
     * An entity again beside itself, under a free name, with or without copies of its relationships; its identity is
     * the first one that is made.
     */
    public static Change duplicate(Design design, EntityId id, boolean withRelationships, SheetId sheet, Fresh fresh) {
        Entity entity = design.entities().get(id);
        EntityId copyId = new EntityId(fresh.id('e'));
        Map<RelationshipId, RelationshipId> relationships = new HashMap<>();
        if (withRelationships) {
            design.relationshipsOf(id)
                    .forEach(relationship -> relationships.put(relationship.id(), new RelationshipId(fresh.id('r'))));
        }
        Entity copy = copy(entity, copyId, freeName(design, entity.name()), relationships, fresh, new HashMap<>());
        Design next = design.with(copy);
        for (Relationship relationship : withRelationships ? design.relationshipsOf(id).toList()
                : List.<Relationship>of()) {
            next = next.with(again(relationship, relationships.get(relationship.id()), Map.of(id, copyId), fresh));
        }
        for (Sheet on : design.sheets()) {
            Place place = on.places().get(id);
            if (place != null && on.id().equals(sheet)) {
                next = next.with(placed(on, Map.of(copyId, new Place(place.x() + BESIDE, place.y() + BESIDE))));
            }
        }
        return Patch.between(design, next);
    }

    /**
     * Entities of one design in another, with the relationships among them, the types that they use and their areas.
     * Names that are taken get a number; a type or area of the same name is used as it is there. Identities of the new
     * entities come from {@code fresh} in the order of the entities.
     */
    public static Change into(Design target, Design source, List<EntityId> entities, SheetId sheet, Place at,
            Fresh fresh) {
        Design next = target;
        Map<EntityId, EntityId> ids = new LinkedHashMap<>();
        entities.stream().filter(source.entities()::contains).forEach(id -> ids.put(id, new EntityId(fresh.id('e'))));
        Map<RelationshipId, RelationshipId> relationships = new HashMap<>();
        List<Relationship> among = source.relationships().stream()
                .filter(relationship -> ids.containsKey(relationship.first().entity())
                        && ids.containsKey(relationship.second().entity()))
                .toList();
        among.forEach(relationship -> relationships.put(relationship.id(), new RelationshipId(fresh.id('r'))));
        Map<String, SqlType> types = new HashMap<>();
        for (NamedType type : source.types()) {
            boolean used = ids.keySet().stream().anyMatch(id -> source.entities().get(id).attributes().stream()
                    .anyMatch(attribute -> uses(source, attribute.type(), type)));
            if (used && next.typeNamed(type.name()).isEmpty()) {
                TypeId copyId = new TypeId(fresh.id('t'));
                next = next.withTypes(next.types().with(copy(type, copyId, types)));
            }
            Optional<SqlType> there = next.typeNamed(type.name());
            there.ifPresent(known -> types.put(type.id().value(), known));
        }
        Map<OwnerId, Place> places = new HashMap<>();
        Sheet from = source.sheets().stream().filter(one -> ids.keySet().stream().anyMatch(one.places()::containsKey))
                .findFirst().orElse(source.sheet());
        int left = ids.keySet().stream().mapToInt(id -> from.places().getOrDefault(id, at).x()).min().orElse(0);
        int top = ids.keySet().stream().mapToInt(id -> from.places().getOrDefault(id, at).y()).min().orElse(0);
        for (Map.Entry<EntityId, EntityId> id : ids.entrySet()) {
            Entity entity = source.entities().get(id.getKey());
            Optional<Area> area = entity.area().flatMap(source.areas()::find);
            Entity copy = copy(entity, id.getValue(), freeName(next, entity.name()), relationships, fresh, types);
            if (area.isPresent()) {
                Optional<Area> there = next.areas().stream()
                        .filter(other -> other.name().equalsIgnoreCase(area.get().name())).findFirst();
                Area used =
                        there.orElseGet(() -> new Area(new AreaId(fresh.id('s')), area.get().name(), area.get().hue()));
                next = there.isPresent() ? next : next.withAreas(next.areas().with(used));
                copy = copy.in(Optional.of(used.id()));
            } else {
                copy = copy.in(Optional.empty());
            }
            next = next.with(copy);
            Place place = from.places().getOrDefault(id.getKey(), at);
            places.put(id.getValue(), new Place(at.x() + place.x() - left, at.y() + place.y() - top));
        }
        for (Relationship relationship : among) {
            next = next.with(retyped(again(relationship, relationships.get(relationship.id()), ids, fresh), types));
        }
        return Patch.between(target, next.with(placed(next.sheets().get(sheet), places)));
    }

    private static boolean uses(Design source, SqlType type, NamedType wanted) {
        Optional<NamedType> definition = source.definition(type);
        return definition.isPresent()
                && (definition.get().id().equals(wanted.id()) || definition.get() instanceof Structure structure
                        && structure.fields().stream().anyMatch(field -> source.definition(field.type())
                                .map(inner -> inner.id().equals(wanted.id())).orElse(false)));
    }

    private static NamedType copy(NamedType type, TypeId id, Map<String, SqlType> types) {
        return switch (type) {
            case Domain domain -> new Domain(id, domain.name(), domain.base(), domain.defaultValue(), domain.check(),
                    domain.meaning());
            case Enumeration enumeration ->
                    new Enumeration(id, enumeration.name(), enumeration.values(), enumeration.meaning());
            case Structure structure -> new Structure(id, structure.name(),
                    structure.fields().stream().map(field -> new Field(field.name(), known(field.type(), types)))
                            .toList(),
                    structure.meaning());
        };
    }

    private static SqlType known(SqlType type, Map<String, SqlType> types) {
        return type instanceof DesignType(String id) ? types.getOrDefault(id, SqlType.largeText()) : type;
    }

    private static Sheet placed(Sheet sheet, Map<OwnerId, Place> more) {
        Map<OwnerId, Place> places = new HashMap<>(sheet.places());
        places.putAll(more);
        return sheet.withPlaces(places);
    }

    private static Entity copy(Entity entity, EntityId id, String name,
            Map<RelationshipId, RelationshipId> relationships, Fresh fresh,
            Map<String, SqlType> types) {
        Map<KeyPart, KeyPart> parts = new HashMap<>();
        List<Member> members = new ArrayList<>();
        for (Member member : entity.members()) {
            switch (member) {
                case Attribute own -> {
                    Attribute copy = own.as(new AttributeId(fresh.id('a')));
                    members.add(types.isEmpty() ? copy : copy.typed(known(copy.type(), types)));
                    parts.put(new OwnPart(own.id()), new OwnPart(copy.id()));
                }
                case ForeignColumns(RelationshipId relationship) when relationships.containsKey(relationship) ->
                        members.add(new ForeignColumns(relationships.get(relationship)));
                case ForeignColumns left -> { }
            }
        }
        relationships.forEach((was, now) -> parts.put(new InheritedPart(was), new InheritedPart(now)));
        // partitions stay with the original, as their names are taken
        return new Entity(id, name, entity.meaning(), entity.area(), members, copied(entity.primaryKey(), parts),
                List.of())
                .withAlternateKeys(entity.alternateKeys().stream()
                        .map(key -> new AlternateKey(key.number(), copied(key.parts(), parts))).toList())
                .withIndexes(entity.indexes().stream().map(index -> new Index("", index.unique(), index.parts().stream()
                        .filter(part -> parts.containsKey(part.part()))
                        .map(part -> new IndexPart(parts.get(part.part()), part.descending())).toList())).toList())
                .withChecks(entity.checks().stream().map(check -> new NamedCheck("", check.condition())).toList());
    }

    private static List<KeyPart> copied(List<KeyPart> key, Map<KeyPart, KeyPart> parts) {
        return key.stream().filter(parts::containsKey).map(parts::get).toList();
    }

    private static Relationship again(Relationship relationship, RelationshipId id, Map<EntityId, EntityId> ids,
            Fresh fresh) {
        Relationship copy = new Relationship(id, "", relationship.first(), relationship.second(),
                relationship.childOfOneToOne(), relationship.onDelete(),
                relationship.onUpdate(), relationship.attributes().stream()
                        .map(attribute -> attribute.as(new AttributeId(fresh.id('a')))).toList());
        for (Side side : Side.values()) {
            End end = copy.end(side);
            copy = copy.with(side,
                    end.at(ids.getOrDefault(end.entity(), end.entity())).columnNames(Map.of()).agreed(""));
        }
        return copy;
    }

    private static Relationship retyped(Relationship relationship, Map<String, SqlType> types) {
        return relationship.withAttributes(relationship.attributes().stream()
                .map(attribute -> attribute.typed(known(attribute.type(), types))).toList());
    }

    private static String freeName(Design design, String wanted) {
        String name = wanted;
        for (int number = 2; Invariants.tableNameTaken(design, new EntityId("enone"), name).isPresent(); number++) {
            name = wanted.substring(0, Math.min(wanted.length(), Invariants.MAX_NAME - 6)) + " " + number;
        }
        return name;
    }
}
