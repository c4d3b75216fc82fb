package entaxis.core.normalize;

import entaxis.core.derive.Derivation;
import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Relationship;
import entaxis.core.design.SqlName;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The everyday form of a fault against the normal forms, seen only across entities (common practice): questions about one entity and the others. Linear in the
 * attributes, but for joins, for which each pair of tables is looked at.
 *
 * @param other the entity that it is about beside the asked one
 */
public record AcrossEntities(EntityId other, String question) {
    private static final Set<String> COMMON = Set.of("name", "note", "notes", "remark", "remarks", "comment", "description", "state", "status", "id", "no", "code", "title", "kind", "type", "purpose",
            "created_at", "updated_at", "created_on", "updated_on", "capacity");

    /** What is asked about an entity. */
    public static List<AcrossEntities> of(Design design, Derivation derivation, EntityId about) {
        List<AcrossEntities> found = new ArrayList<>();
        Entity entity = design.entities().get(about);
        sameFact(design, entity, found);
        describesAnother(design, entity, found);
        joinOfTwo(design, derivation, entity, found);
        return found;
    }

    /** Its own attributes outside the keys, by their name as a column. */
    private static Map<String, Attribute> facts(Entity entity) {
        Map<String, Attribute> facts = new LinkedHashMap<>();
        entity.attributes().stream().filter(attribute -> !entity.inKey(attribute.id())).forEach(attribute -> facts.put(SqlName.of(attribute.name()), attribute));
        return facts;
    }

    private static void sameFact(Design design, Entity entity, List<AcrossEntities> found) {
        Map<String, Attribute> own = facts(entity);
        for (Entity other : design.entities()) {
            if (other.id().equals(entity.id()) || !related(design, entity, other)) {
                continue;
            }
            facts(other).forEach((name, attribute) -> {
                if (own.containsKey(name) && !COMMON.contains(name) && own.get(name).type().equals(attribute.type())) {
                    found.add(new AcrossEntities(other.id(), own.get(name).name() + " stands in " + other.name() + " too. Is it one fact stored twice? Then keep it where its key is, and drop it here or there."));
                }
            });
        }
    }

    private static boolean related(Design design, Entity entity, Entity other) {
        return design.relationshipsOf(entity.id()).anyMatch(relationship -> relationship.touches(other.id()));
    }

    /** An attribute that begins with the name of an entity it refers to. */
    private static void describesAnother(Design design, Entity entity, List<AcrossEntities> found) {
        for (Relationship relationship : design.relationshipsOf(entity.id()).toList()) {
            Optional<Entity> parent = relationship.childEntity().filter(entity.id()::equals).flatMap(child -> relationship.parentEntity()).flatMap(design.entities()::find);
            if (parent.isEmpty() || parent.get().id().equals(entity.id())) {
                continue;
            }
            String prefix = SqlName.of(parent.get().name()) + "_";
            facts(entity).forEach((name, attribute) -> {
                if (name.toLowerCase(Locale.ROOT).startsWith(prefix)) {
                    found.add(new AcrossEntities(parent.get().id(), attribute.name() + " seems to describe the " + parent.get().name().toLowerCase(Locale.ROOT) + ", not the "
                            + entity.name().toLowerCase(Locale.ROOT) + ". Should it move to " + parent.get().name() + "?"));
                }
            });
        }
    }

    /** A table all of whose columns stand in two others that share some. */
    private static void joinOfTwo(Design design, Derivation derivation, Entity entity, List<AcrossEntities> found) {
        Set<String> columns = derivation.stated().table(entity.id()).map(AcrossEntities::names).orElse(Set.of());
        if (columns.size() < 3) {
            return;
        }
        List<Table> others = derivation.stated().schema().tables().stream().filter(table -> table.origin().filter(origin -> origin instanceof EntityId id && !id.equals(entity.id())).isPresent()
                && names(table).stream().filter(columns::contains).count() > 1).toList();
        for (int i = 0; i < others.size(); i++) {
            for (int j = i + 1; j < others.size(); j++) {
                Set<String> first = names(others.get(i));
                Set<String> second = names(others.get(j));
                Set<String> both = new HashSet<>(first);
                both.addAll(second);
                boolean needed = !first.containsAll(columns) && !second.containsAll(columns);
                if (needed && both.containsAll(columns) && first.stream().anyMatch(name -> second.contains(name) && columns.contains(name))
                        && others.get(i).origin().orElseThrow() instanceof EntityId other) {
                    found.add(new AcrossEntities(other, "Every column of " + entity.name() + " stands in " + design.entities().get(other).name() + " or "
                            + design.entities().get((EntityId) others.get(j).origin().orElseThrow()).name() + ". Is it their join? Then a view says the same and cannot disagree."));
                }
            }
        }
    }

    private static Set<String> names(Table table) {
        Set<String> names = new HashSet<>();
        table.columns().stream().map(Column::name).forEach(names::add);
        return names;
    }
}
