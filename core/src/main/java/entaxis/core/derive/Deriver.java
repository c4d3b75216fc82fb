package entaxis.core.derive;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.ForeignColumns;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.Member;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Table;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** One run of the derivation. Keys are settled parents first, so that a key's columns reach every generation below it (FIPS PUB 184, key migration). */
final class Deriver {
    private final Design design;
    private final Map<EntityId, List<Relationship>> asChild = new HashMap<>();
    private final Map<OwnerId, String> names = new LinkedHashMap<>();
    private final Map<EntityId, TableDraft> drafts = new LinkedHashMap<>();
    private final ConstraintNames constraints = new ConstraintNames();

    Deriver(Design design) {
        this.design = design;
    }

    List<Table> tables() {
        design.relationships().forEach(relationship -> relationship.childEntity()
                .ifPresent(child -> asChild.computeIfAbsent(child, any -> new ArrayList<>()).add(relationship)));
        nameTables();
        design.entities().forEach(this::settleKey);
        List<Table> tables = new ArrayList<>();
        design.entities().forEach(entity -> tables.add(entityTable(entity)));
        design.relationships().stream().filter(Relationship::manyToMany).forEach(relationship -> tables.add(bridge(relationship)));
        return tables;
    }

    private void nameTables() {
        Set<String> taken = new HashSet<>();
        for (Entity entity : design.entities()) {
            names.put(entity.id(), Names.free(SqlName.of(entity.name()), taken));
        }
        for (Relationship relationship : design.relationships()) {
            if (relationship.manyToMany()) {
                String proposed = relationship.name().isBlank() ? names.get(relationship.first().entity()) + "_" + names.get(relationship.second().entity())
                        : SqlName.of(relationship.name());
                names.put(relationship.id(), Names.free(proposed, taken));
            }
        }
    }

    /** Settles the primary key of an entity after those of its identifying ancestors, without recursion: chains may be long. */
    private void settleKey(Entity start) {
        List<Entity> open = new ArrayList<>(List.of(start));
        Set<EntityId> waiting = new LinkedHashSet<>();
        while (!open.isEmpty()) {
            Entity entity = open.getLast();
            List<Entity> parents = drafts.containsKey(entity.id()) ? List.of() : unsettledParents(entity, waiting);
            waiting.add(entity.id());
            if (!parents.isEmpty()) {
                open.addAll(parents);
                continue;
            }
            open.removeLast();
            if (!drafts.containsKey(entity.id())) {
                drafts.put(entity.id(), keyDraft(entity));
            }
        }
    }

    private List<Entity> unsettledParents(Entity entity, Set<EntityId> waiting) {
        List<Entity> parents = new ArrayList<>();
        for (KeyPart part : entity.primaryKey()) {
            if (part instanceof InheritedPart(RelationshipId id)) {
                design.relationships().find(id).flatMap(Relationship::parentEntity).filter(parent -> !drafts.containsKey(parent) && !waiting.contains(parent))
                        .ifPresent(parent -> parents.add(design.entities().get(parent)));
            }
        }
        return parents;
    }

    private TableDraft keyDraft(Entity entity) {
        TableDraft draft = new TableDraft();
        entity.attributes().forEach(attribute -> draft.claim(SqlName.of(attribute.name())));
        for (KeyPart part : entity.primaryKey()) {
            switch (part) {
                case OwnPart(var attribute) -> entity.attribute(attribute).ifPresent(own -> draft.addKey(part, List.of(column(own, true))));
                case InheritedPart(RelationshipId id) -> design.relationships().find(id)
                        .ifPresent(relationship -> draft.addKey(part, migrated(draft, relationship, relationship.parent().orElseThrow(), true)));
            }
        }
        return draft;
    }

    private Table entityTable(Entity entity) {
        String table = names.get(entity.id());
        TableDraft draft = drafts.get(entity.id());
        List<Relationship> references = asChild.getOrDefault(entity.id(), List.of());
        for (Member member : entity.members()) {
            switch (member) {
                case Attribute own when !entity.inKey(own.id()) -> draft.add(new OwnPart(own.id()), List.of(column(own, own.required())));
                case Attribute inKey -> { }
                case ForeignColumns(RelationshipId id) -> references.stream().filter(relationship -> relationship.id().equals(id))
                        .forEach(relationship -> addReference(draft, relationship));
            }
        }
        references.forEach(relationship -> addReference(draft, relationship));
        Optional<PrimaryKey> key = draft.key().isEmpty() ? Optional.empty() : Optional.of(new PrimaryKey(constraints.free("pk_" + table), draft.key()));
        List<UniqueKey> uniques = new ArrayList<>();
        for (AlternateKey alternate : entity.alternateKeys()) {
            List<String> columns = alternate.parts().stream().flatMap(part -> draft.columns(part).stream()).map(Column::name).toList();
            addUnique(uniques, columns, "uq_" + table + "_" + alternate.number(), draft.key());
        }
        references.stream().filter(Relationship::oneToOne).forEach(relationship ->
                addUnique(uniques, draft.columns(new InheritedPart(relationship.id())).stream().map(Column::name).toList(),
                        "uq_" + table + "_" + parentTable(relationship), draft.key()));
        List<CheckRule> checks = checks(table, entity.attributes());
        List<ForeignKey> foreignKeys = references.stream().flatMap(relationship -> foreignKey(table, relationship, relationship.parent().orElseThrow(),
                draft.columns(new InheritedPart(relationship.id()))).stream()).toList();
        return new Table(Optional.of(entity.id()), table, draft.all(), key, uniques, checks, foreignKeys, entity.meaning());
    }

    private void addReference(TableDraft draft, Relationship relationship) {
        KeyPart part = new InheritedPart(relationship.id());
        if (draft.columns(part).isEmpty()) {
            Side parent = relationship.parent().orElseThrow();
            draft.add(part, migrated(draft, relationship, parent, !relationship.end(parent).cardinality().optional()));
        }
    }

    private Table bridge(Relationship relationship) {
        String table = names.get(relationship.id());
        TableDraft draft = new TableDraft();
        relationship.attributes().forEach(attribute -> draft.claim(SqlName.of(attribute.name())));
        List<ForeignKey> foreignKeys = new ArrayList<>();
        for (Side side : Side.values()) {
            List<Column> columns = migrated(draft, relationship, side, true);
            draft.addKey(new InheritedPart(relationship.id()), columns);
            foreignKey(table, relationship, side, columns).ifPresent(foreignKeys::add);
        }
        relationship.attributes().forEach(attribute -> draft.add(new OwnPart(attribute.id()), List.of(column(attribute, attribute.required()))));
        Optional<PrimaryKey> key = draft.key().isEmpty() ? Optional.empty() : Optional.of(new PrimaryKey(constraints.free("pk_" + table), draft.key()));
        String comment = design.entities().get(relationship.first().entity()).name() + " " + relationship.first().verb() + " "
                + design.entities().get(relationship.second().entity()).name();
        return new Table(Optional.of(relationship.id()), table, draft.all(), key, List.of(), checks(table, relationship.attributes()), foreignKeys, comment);
    }

    private static Column column(Attribute attribute, boolean required) {
        return new Column(Optional.of(ColumnPath.own(attribute.id())), SqlName.of(attribute.name()), attribute.type(),
                required || attribute.identity() != Attribute.Identity.NONE, attribute.defaultValue(), attribute.identity(), attribute.meaning());
    }

    /** The columns that a parent's key becomes in a child: same types, without identity or default (common practice), under names of their own. */
    private List<Column> migrated(TableDraft child, Relationship relationship, Side parent, boolean required) {
        EntityId parentEntity = relationship.end(parent).entity();
        List<Column> columns = new ArrayList<>();
        for (Column key : drafts.get(parentEntity).keyColumns()) {
            ColumnPath path = key.origin().orElseThrow();
            String name = child.claim(Names.migrated(relationship, parent, names.get(parentEntity), key.name(), path));
            columns.add(new Column(Optional.of(path.over(relationship.id(), parent)), name, key.type(), required, Optional.empty(), Attribute.Identity.NONE, ""));
        }
        return columns;
    }

    private Optional<ForeignKey> foreignKey(String table, Relationship relationship, Side parent, List<Column> columns) {
        if (columns.isEmpty()) {
            return Optional.empty();
        }
        EntityId parentEntity = relationship.end(parent).entity();
        String role = SqlName.of(relationship.end(parent).role());
        String name = constraints.free("fk_" + table + "_" + (role.isEmpty() ? names.get(parentEntity) : role));
        return Optional.of(new ForeignKey(Optional.of(relationship.id()), name, columns.stream().map(Column::name).toList(), names.get(parentEntity),
                drafts.get(parentEntity).key(), relationship.onDelete(), relationship.onUpdate()));
    }

    private void addUnique(List<UniqueKey> uniques, List<String> columns, String name, List<String> primaryKey) {
        boolean said = columns.isEmpty() || Set.copyOf(columns).equals(Set.copyOf(primaryKey))
                || uniques.stream().anyMatch(other -> Set.copyOf(other.columns()).equals(Set.copyOf(columns)));
        if (!said) {
            uniques.add(new UniqueKey(constraints.free(name), columns));
        }
    }

    private List<CheckRule> checks(String table, List<Attribute> attributes) {
        return attributes.stream().filter(attribute -> attribute.check().isPresent())
                .map(attribute -> new CheckRule(constraints.free("ck_" + table + "_" + SqlName.of(attribute.name())), attribute.check().get())).toList();
    }

    private String parentTable(Relationship relationship) {
        return names.get(relationship.parentEntity().orElseThrow());
    }
}
