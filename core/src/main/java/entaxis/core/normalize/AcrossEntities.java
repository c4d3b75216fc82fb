package entaxis.core.normalize;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.SqlName;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * The everyday form of a fault against the normal forms, seen only across entities (common practice): questions about
 * one entity and the others. Linear in the attributes, but for joins, for which each pair of tables is looked at.
 *
 * @param other     the entity that it is about beside the asked one
 * @param attribute the attribute of the asked one that it is about, if it is a single one
 */
public record AcrossEntities(Kind kind, EntityId other, Optional<AttributeId> attribute, String question) {
    /** What is asked. */
    public enum Kind {
        /** Whether the same fact stands in both. */
        SAME_FACT,
        /** Whether an attribute describes the other entity. */
        DESCRIBES_ANOTHER,
        /** Whether the table is the join of two others. */
        JOIN_OF_TWO
    }

    private static final Set<String> EVERYDAY = Set.of("id", "ids", "uid", "uuid", "ts", "at", "on", "by", "date",
            "time", "timestamp", "type", "kind", "state", "status", "order", "sort",
            "count", "number", "no", "num", "flag", "version", "position", "pos", "size", "length", "level", "context",
            "user", "name", "value", "key", "code", "enabled", "active",
            "deleted", "ctime", "mtime", "created", "modified", "updated", "hash", "checksum", "comment", "comments",
            "description", "data", "text", "inverse", "message", "title", "usec", "host", "server", "username",
            "domain");
    private static final int MAX_ALIKE = 12;
    /** Tables that a telling name stands in at most: the asked one, two others and one more. */
    private static final int SMALL_SIZE = 4;
    private static final Set<String> COMMON = Set.of("name", "note", "notes", "remark", "remarks", "comment",
            "description", "state", "status", "id", "no", "code", "title", "kind", "type", "purpose",
            "created_at", "updated_at", "created_on", "updated_on", "capacity");

    /** What is asked about an entity. */
    public static List<AcrossEntities> of(Design design, Derivation derivation, EntityId about) {
        List<AcrossEntities> found = new ArrayList<>();
        Entity entity = design.entities().get(about);
        found.addAll(of(design, entity, design.relationshipsOf(about).toList(), AcrossEntities::facts));
        Optional.ofNullable(joins(design, derivation).get(about)).ifPresent(found::add);
        return found;
    }

    /**
     * What is asked about single attributes of an entity; it depends on the entities that it is related to, and on no
     * others.
     *
     * @param own   the relationships of the entity
     * @param facts {@link #facts(Entity)}, perhaps kept from the time before
     */
    public static List<AcrossEntities> of(Design design, Entity entity, List<Relationship> own,
            Function<Entity, Map<String, Attribute>> facts) {
        List<AcrossEntities> found = new ArrayList<>();
        sameFact(design, entity, own, facts, found);
        describesAnother(design, entity, own, facts, found);
        return found;
    }

    /** The own attributes of an entity outside its keys, by their name as a column. */
    public static Map<String, Attribute> facts(Entity entity) {
        Map<String, Attribute> facts = new LinkedHashMap<>();
        entity.attributes().stream().filter(attribute -> !entity.inKey(attribute.id()))
                .forEach(attribute -> facts.put(SqlName.of(attribute.name()), attribute));
        return facts;
    }

    private static void sameFact(Design design, Entity entity, List<Relationship> relationships,
            Function<Entity, Map<String, Attribute>> facts, List<AcrossEntities> found) {
        Map<String, Attribute> own = facts.apply(entity);
        relationships.stream()
                .map(one -> one.first().entity().equals(entity.id()) ? one.second().entity() : one.first().entity())
                .filter(other -> !other.equals(entity.id())).distinct().map(design.entities()::get)
                .forEach(other -> facts.apply(other).forEach((name, attribute) -> {
                    if (own.containsKey(name) && !everyday(name) && own.get(name).type().equals(attribute.type())) {
                        found.add(new AcrossEntities(Kind.SAME_FACT, other.id(), Optional.of(own.get(name).id()), own
                                .get(name).name() + " stands in " + other.name()
                                + " too. Is it one fact stored twice? Then keep it where its key is, and drop it here "
                                + "or there."));
                    }
                }));
    }

    /** An attribute that begins with the name of an entity it refers to. */
    private static void describesAnother(Design design, Entity entity, List<Relationship> relationships,
            Function<Entity, Map<String, Attribute>> facts, List<AcrossEntities> found) {
        for (Relationship relationship : relationships) {
            Optional<Entity> parent = relationship.childEntity().filter(entity.id()::equals)
                    .flatMap(child -> relationship.parentEntity()).flatMap(design.entities()::find);
            if (parent.isEmpty() || parent.get().id().equals(entity.id())) {
                continue;
            }
            String prefix = SqlName.of(parent.get().name()) + "_";
            facts.apply(entity).forEach((name, attribute) -> {
                if (name.toLowerCase(Locale.ROOT).startsWith(prefix)) {
                    found.add(new AcrossEntities(Kind.DESCRIBES_ANOTHER, parent.get().id(), Optional.of(attribute.id()),
                            attribute.name() + " seems to describe the " + parent.get().name().toLowerCase(Locale.ROOT)
                                    + ", not the "
                                    + entity.name().toLowerCase(Locale.ROOT) + ". Should it move to "
                                    + parent.get().name() + "?"));
                }
            });
        }
    }

    /**
     * Each entity all of whose columns stand, with their types, in two others that share a key of one of them, with the
     * question whether it is their join. Only tables that share two columns or more with it are looked at.
     */
    public static Map<EntityId, AcrossEntities> joins(Design design, Derivation derivation) {
        Map<EntityId, Table> tables = new LinkedHashMap<>();
        Map<String, List<EntityId>> having = new HashMap<>();
        for (Entity entity : design.entities()) {
            derivation.stated().table(entity.id()).ifPresent(table -> {
                tables.put(entity.id(), table);
                table.columns().forEach(
                        column -> having.computeIfAbsent(column.name(), any -> new ArrayList<>()).add(entity.id()));
            });
        }
        Map<EntityId, AcrossEntities> found = new LinkedHashMap<>();
        tables.forEach((id, table) -> {
            boolean elsewhere = table.columns().size() >= 3 && table.columns().stream().allMatch(column -> {
                int places = having.get(column.name()).size();
                return places > 1 && places <= SMALL_SIZE;
            });
            if (elsewhere) {
                Map<EntityId, Integer> shared = new LinkedHashMap<>();
                table.columns()
                        .forEach(column -> having.get(column.name()).stream().filter(other -> !other.equals(id))
                                .limit(MAX_ALIKE)
                        .forEach(other -> shared.merge(other, 1, Integer::sum)));
                List<EntityId> others =
                        shared.entrySet().stream().filter(one -> one.getValue() > 1).map(Map.Entry::getKey).toList();
                joinOfTwo(design, id, table, others, tables).ifPresent(one -> found.put(id, one));
            }
        });
        return found;
    }

    private static Optional<AcrossEntities> joinOfTwo(Design design, EntityId id, Table own, List<EntityId> others,
            Map<EntityId, Table> tables) {
        for (int i = 0; i < others.size(); i++) {
            for (int j = i + 1; j < others.size(); j++) {
                Table first = tables.get(others.get(i));
                Table second = tables.get(others.get(j));
                Set<String> inFirst = common(own, first);
                Set<String> inSecond = common(own, second);
                Set<String> both = new HashSet<>(inFirst);
                both.retainAll(inSecond);
                Set<String> all = new HashSet<>(inFirst);
                all.addAll(inSecond);
                boolean needed = inFirst.size() < own.columns().size() && inSecond.size() < own.columns().size();
                if (needed && all.size() == own.columns().size() && (keyed(first, both) || keyed(second, both))) {
                    return Optional.of(new AcrossEntities(Kind.JOIN_OF_TWO, others.get(i), Optional.empty(),
                            "Every column of " + design.entities().get(id).name()
                                    + " stands in " + design.entities().get(others.get(i)).name() + " or "
                                    + design.entities().get(others.get(j)).name()
                            + ". Is it their join? Then a view says the same and cannot disagree."));
                }
            }
        }
        return Optional.empty();
    }

    /** Whether a table has a key within some columns, so that a join over them finds one row of it. */
    private static boolean keyed(Table table, Set<String> columns) {
        return !table.keyColumns().isEmpty() && columns.containsAll(table.keyColumns())
                || table.uniqueKeys().stream().anyMatch(key -> columns.containsAll(key.columns()));
    }

    /** The columns of a table that another has with the same type. */
    private static Set<String> common(Table own, Table other) {
        Set<String> names = new HashSet<>();
        own.columns().forEach(column -> other.column(column.name()).filter(same -> same.type().equals(column.type()))
                .ifPresent(same -> names.add(same.name())));
        return names;
    }

    /**
     * Whether a name says what the value is of a row like any other, such as when it was changed, so that many entities
     * have it.
     */
    private static boolean everyday(String name) {
        return COMMON.contains(name) || EVERYDAY.contains(name.substring(name.lastIndexOf('_') + 1));
    }
}
