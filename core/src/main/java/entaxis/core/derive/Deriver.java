package entaxis.core.derive;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.Design;
import entaxis.core.design.EntityId;
import entaxis.core.design.Entity;
import entaxis.core.design.Exclusion;
import entaxis.core.design.ForeignColumns;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.Naming.Template;
import entaxis.core.design.Naming;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.design.OwnerId;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Relationship;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.Program;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.Table;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/**
 * One run of the derivation. Keys are settled parents first, so that a key's columns reach every generation below it
 * (FIPS PUB 184, key migration).
 */
final class Deriver {
    private final Design design;
    private final Map<EntityId, List<Relationship>> asChild = new HashMap<>();
    private final Map<OwnerId, String> names = new LinkedHashMap<>();
    private final Map<OwnerId, List<DerivedColumn>> keys = new HashMap<>();
    private final Map<EntityId, TableDraft> drafts = new HashMap<>();
    private final ConstraintNames constraints = new ConstraintNames();
    private final Map<EntityId, List<Exclusion>> exclusions = new HashMap<>();
    private final Naming naming;
    private final OwnColumns ownColumns;
    private final PreviousTables earlier;
    private final Map<OwnerId, CachedTable> made = new HashMap<>();

    /**
     * What was made of the same design before an edit is taken again where nothing that it follows from has changed.
     */
    Deriver(Design design, PreviousTables earlier) {
        this.design = design;
        this.ownColumns = earlier.columns();
        this.earlier = earlier;
        this.naming = design.facts().names();
    }

    /** Some tables with their partitions and everything that stands beside them, named after them. */
    Schema schema(List<DerivedTable> derived) {
        List<Table> tables = new ArrayList<>(derived.stream().map(DerivedTable::table).toList());
        for (DerivedTable whole : derived) {
            if (whole.element() instanceof EntityId id && design.entities().get(id).partitions().isPresent()) {
                Entity entity = design.entities().get(id);
                tables.addAll(PartitionTables.of(whole.table(), entity, columnNames(entity.attributes())));
            }
        }
        List<Sequence> sequences = new ArrayList<>();
        List<Program> programs = new ArrayList<>();
        for (OpaqueObject carried : design.carried()) {
            switch (carried) {
                case OpaqueSequence sequence -> sequences
                        .add(new Sequence(sequence.namespace(), sequence.name(), sequence.start(), sequence.step(),
                                sequence.comment()));
                case OpaqueProgram program -> programs.add(new Program(program.kind(), program.namespace(),
                        program.name(), program.target(), program.text()).withComments(program.comments()));
            }
        }
        return new Schema(new TypeDefinitions(design, constraints).all(), sequences, tables, programs);
    }

    /** What was made, for the next run. */
    PreviousTables made() {
        return new PreviousTables(ownColumns, made);
    }

    /** The tables, those of entities first; to be asked once. */
    List<DerivedTable> tables() {
        design.relationships().forEach(relationship -> relationship.childEntity()
                .ifPresent(child -> asChild.computeIfAbsent(child, any -> new ArrayList<>()).add(relationship)));
        design.exclusions().forEach(
                exclusion -> exclusions.computeIfAbsent(exclusion.child(), any -> new ArrayList<>()).add(exclusion));
        nameTables();
        design.entities().forEach(this::settleKey);
        List<DerivedTable> tables = new ArrayList<>();
        for (Entity entity : design.entities()) {
            List<Relationship> references = asChild.getOrDefault(entity.id(), List.of());
            TableInputs inputs = new TableInputs(entity, names.get(entity.id()), references,
                    exclusions.getOrDefault(entity.id(), List.of()),
                    references.stream().map(relationship -> parentKey(relationship.parentEntity().orElseThrow()))
                            .toList());
            tables.add(cached(entity.id(), inputs, () -> entityTable(entity)));
        }
        for (Relationship relationship : design.relationships()) {
            if (relationship.manyToMany()) {
                TableInputs inputs = new TableInputs(relationship, names.get(relationship.id()), List.of(), List.of(),
                        List.of(parentKey(relationship.first().entity()), parentKey(relationship.second().entity())));
                tables.add(cached(relationship.id(), inputs, () -> bridge(relationship)));
            }
        }
        return tables;
    }

    private ParentKey parentKey(EntityId parent) {
        return new ParentKey(design.entities().get(parent).name(), names.get(parent), keys.get(parent));
    }

    /**
     * The table as it was made before if it follows from the same and its constraints can be called as they were; else
     * made now.
     */
    private DerivedTable cached(OwnerId owner, TableInputs inputs, Supplier<DerivedTable> make) {
        Optional<CachedTable> old = earlier.made(owner)
                .filter(before -> before.inputs().sameAs(inputs) && constraints.again(before.constraints()));
        CachedTable now = old.orElseGet(
                () -> new CachedTable(inputs, keys.getOrDefault(owner, List.of()), make.get(), constraints.given()));
        made.put(owner, now);
        return now.table();
    }

    private void nameTables() {
        Set<String> taken = new HashSet<>();
        for (Entity entity : design.entities()) {
            names.put(entity.id(), ProposedNames.free(ownColumns.table(entity.name()), taken));
        }
        for (Relationship relationship : design.relationships()) {
            if (relationship.manyToMany()) {
                String proposed = relationship.name().isBlank() ? naming.tablePrefix()
                        + naming.written(naming.bare(names.get(relationship.first().entity())) + " "
                                + naming.bare(names.get(relationship.second().entity())))
                        : naming.table(relationship.name());
                names.put(relationship.id(), ProposedNames.free(proposed, taken));
            }
        }
    }

    /**
     * Settles the primary key of an entity after those of its identifying ancestors, without recursion: chains may be
     * long.
     */
    private void settleKey(Entity start) {
        List<Entity> open = new ArrayList<>(List.of(start));
        Set<EntityId> waiting = new LinkedHashSet<>();
        while (!open.isEmpty()) {
            Entity entity = open.getLast();
            List<Entity> parents = keys.containsKey(entity.id()) ? List.of() : unsettledParents(entity, waiting);
            waiting.add(entity.id());
            if (!parents.isEmpty()) {
                open.addAll(parents);
                continue;
            }
            open.removeLast();
            if (!keys.containsKey(entity.id())) {
                keys.put(entity.id(), earlier.made(entity.id()).filter(before -> sameKey(entity, before.inputs()))
                        .map(CachedTable::key).orElseGet(() -> draft(entity).keyColumns()));
            }
        }
    }

    /**
     * Whether the key of an entity still is what it was: nothing was stated otherwise, and the parents from which it
     * inherits have the keys and names that they had.
     */
    private boolean sameKey(Entity entity, TableInputs before) {
        return before.stated() == entity && entity.primaryKey().stream()
                .allMatch(part -> !(part instanceof InheritedPart(RelationshipId id))
                        || design.relationships().find(id).filter(relationship -> before.has(relationship,
                                parentKey(relationship.parentEntity().orElseThrow()))).isPresent());
    }

    private TableDraft draft(Entity entity) {
        return drafts.computeIfAbsent(entity.id(), any -> keyDraft(entity));
    }

    private List<Entity> unsettledParents(Entity entity, Set<EntityId> waiting) {
        List<Entity> parents = new ArrayList<>();
        for (KeyPart part : entity.primaryKey()) {
            if (part instanceof InheritedPart(RelationshipId id)) {
                design.relationships().find(id).flatMap(Relationship::parentEntity)
                        .filter(parent -> !keys.containsKey(parent) && !waiting.contains(parent))
                        .ifPresent(parent -> parents.add(design.entities().get(parent)));
            }
        }
        return parents;
    }

    private TableDraft keyDraft(Entity entity) {
        TableDraft draft = new TableDraft();
        entity.attributes().forEach(attribute -> draft.claim(ownColumns.of(attribute).name()));
        for (KeyPart part : entity.primaryKey()) {
            switch (part) {
                case OwnPart(var attribute) -> entity.attribute(attribute)
                        .ifPresent(own -> draft.addKey(part, List.of(ownColumns.required(own))));
                case InheritedPart(RelationshipId id) -> design.relationships().find(id)
                        .ifPresent(relationship -> draft.addKey(part,
                                migrated(draft, relationship, relationship.parent().orElseThrow(), true)));
            }
        }
        return draft;
    }

    private DerivedTable entityTable(Entity entity) {
        String table = names.get(entity.id());
        TableDraft draft = draft(entity);
        List<Relationship> references = asChild.getOrDefault(entity.id(), List.of());
        for (Member member : entity.members()) {
            switch (member) {
                case Attribute own when !entity.inKey(own.id()) ->
                        draft.add(new OwnPart(own.id()), List.of(ownColumns.of(own)));
                case Attribute inKey -> { }
                case ForeignColumns(RelationshipId id) ->
                        references.stream().filter(relationship -> relationship.id().equals(id))
                        .forEach(relationship -> addReference(draft, relationship));
            }
        }
        references.forEach(relationship -> addReference(draft, relationship));
        Optional<PrimaryKey> key = primaryKey(table, draft);
        List<UniqueKey> uniques = new ArrayList<>();
        for (AlternateKey alternate : entity.alternateKeys()) {
            List<String> columns = alternate.parts().stream().flatMap(part -> draft.names(part).stream()).toList();
            addUnique(uniques, columns,
                    named(naming.template(Template.UNIQUE), table, Integer.toString(alternate.number())), draft.key());
        }
        references.stream().filter(Relationship::oneToOne).forEach(relationship ->
        addUnique(uniques, draft.names(new InheritedPart(relationship.id())),
                named(naming.template(Template.UNIQUE), table, naming.bare(parentTable(relationship))), draft.key()));
        List<CheckRule> checks = new ArrayList<>(checks(table, entity.attributes()));
        Map<String, String> columnNames = entity.checks().isEmpty() ? Map.of() : columnNames(entity.attributes());
        entity.checks()
                .forEach(check -> checks.add(new CheckRule(
                        constraints.free(check.name().isEmpty() ? named(naming.template(Template.CHECK), table, "rule")
                                : check.name()),
                Expression.of(check.condition()).renamed(columnNames).text())));
        exclusions.getOrDefault(entity.id(), List.of()).stream()
                .flatMap(exclusion -> alternatives(table, exclusion, draft).stream())
                .forEach(checks::add);
        List<RelationshipId> relationships = new ArrayList<>();
        List<ForeignKey> foreignKeys = new ArrayList<>();
        for (Relationship relationship : references) {
            foreignKey(table, relationship, relationship.parent().orElseThrow(),
                    draft.columns(new InheritedPart(relationship.id()))).ifPresent(made -> {
                        foreignKeys.add(made);
                        relationships.add(relationship.id());
                    });
        }
        Table derived = Table.of(table).withColumns(draft.columns()).withKeys(key, uniques).withChecks(checks)
                .referring(foreignKeys).withIndexes(indexes(table, entity, draft)).withComment(entity.meaning());
        Table split = entity.partitions().isEmpty() ? derived
                : PartitionTables.split(derived, entity, columnNames(entity.attributes()));
        return new DerivedTable(entity.id(), split, draft.all(), relationships);
    }

    private Optional<PrimaryKey> primaryKey(String table, TableDraft draft) {
        return draft.key().isEmpty() ? Optional.empty() : Optional.of(
                new PrimaryKey(constraints.free(named(naming.template(Template.PRIMARY_KEY), table, "")), draft.key()));
    }

    private static String named(String template, String table, String part) {
        return Naming.filled(template, Map.of("table", table, "part", part));
    }

    /** How conditions must speak of attributes whose columns are not called as the attributes are. */
    private Map<String, String> columnNames(List<Attribute> attributes) {
        Map<String, String> names = new HashMap<>();
        for (Attribute attribute : attributes) {
            String column = naming.column(attribute.name());
            if (!column.equals(SqlName.of(attribute.name()))) {
                names.put(SqlName.of(attribute.name()), "\"" + column.replace("\"", "\"\"") + "\"");
            }
        }
        return names;
    }

    /** Counts by how many of its alternatives a row refers. */
    private Optional<CheckRule> alternatives(String table, Exclusion exclusion, TableDraft draft) {
        List<String> counted = exclusion.alternatives().stream()
                .flatMap(id -> draft.columns(new InheritedPart(id)).stream().limit(1))
                .map(column -> "case when " + SqlName.quoted(column.name()) + " is null then 0 else 1 end").toList();
        String name = exclusion.name().isEmpty() ? named(naming.template(Template.CHECK), table, "alternatives")
                : exclusion.name();
        return counted.size() < 2 ? Optional.empty()
                : Optional.of(new CheckRule(constraints.free(name),
                        String.join(" + ", counted) + (exclusion.mandatory() ? " = 1" : " <= 1")));
    }

    private List<TableIndex> indexes(String table, Entity entity, TableDraft draft) {
        List<TableIndex> indexes = new ArrayList<>();
        for (Index index : entity.indexes()) {
            List<IndexColumn> columns = index.parts().stream().flatMap(part -> draft.columns(part.part()).stream()
                    .map(column -> new IndexColumn(column.name(), part.descending()))).toList();
            if (!columns.isEmpty()) {
                String proposed = named(naming.template(Template.INDEX), table,
                        columns.stream().map(IndexColumn::name).collect(Collectors.joining("_")));
                indexes.add(new TableIndex(constraints.free(index.name().isEmpty() ? proposed : index.name()),
                        index.unique(), columns));
            }
        }
        return indexes;
    }

    private void addReference(TableDraft draft, Relationship relationship) {
        KeyPart part = new InheritedPart(relationship.id());
        if (draft.columns(part).isEmpty()) {
            Side parent = relationship.parent().orElseThrow();
            draft.add(part, migrated(draft, relationship, parent, !relationship.end(parent).cardinality().optional()));
        }
    }

    private DerivedTable bridge(Relationship relationship) {
        String table = names.get(relationship.id());
        TableDraft draft = new TableDraft();
        relationship.attributes().forEach(attribute -> draft.claim(ownColumns.of(attribute).name()));
        List<ForeignKey> foreignKeys = new ArrayList<>();
        for (Side side : Side.values()) {
            List<DerivedColumn> columns = migrated(draft, relationship, side, true);
            draft.addKey(new InheritedPart(relationship.id()), columns);
            foreignKey(table, relationship, side, columns).ifPresent(foreignKeys::add);
        }
        relationship.attributes()
                .forEach(attribute -> draft.add(new OwnPart(attribute.id()), List.of(ownColumns.of(attribute))));
        Optional<PrimaryKey> key = primaryKey(table, draft);
        String comment =
                design.entities().get(relationship.first().entity()).name() + " " + relationship.first().verb() + " "
                + design.entities().get(relationship.second().entity()).name();
        Table derived = Table.of(table).withColumns(draft.columns()).withPrimaryKey(key)
                .withChecks(checks(table, relationship.attributes())).referring(foreignKeys).withComment(comment);
        return new DerivedTable(relationship.id(), derived, draft.all(),
                Collections.nCopies(foreignKeys.size(), relationship.id()));
    }

    /**
     * The columns that a parent's key becomes in a child: same types, without identity or default (common practice),
     * under names of their own.
     */
    private List<DerivedColumn> migrated(TableDraft child, Relationship relationship, Side parent, boolean required) {
        EntityId parentEntity = relationship.end(parent).entity();
        List<DerivedColumn> columns = new ArrayList<>();
        for (DerivedColumn key : keys.get(parentEntity)) {
            String name = child.claim(ProposedNames.migrated(naming, relationship, parent, names.get(parentEntity),
                    key.name(), key.path()));
            columns.add(new DerivedColumn(key.path().over(relationship.id(), parent),
                    Column.of(name, key.column().type()).withRequired(required)));
        }
        return columns;
    }

    private Optional<ForeignKey> foreignKey(String table, Relationship relationship, Side parent,
            List<DerivedColumn> columns) {
        if (columns.isEmpty()) {
            return Optional.empty();
        }
        EntityId parentEntity = relationship.end(parent).entity();
        String role = naming.written(relationship.end(parent).role());
        String name = constraints.free(Naming.filled(naming.template(Template.FOREIGN_KEY),
                Map.of("table", table, "parent", role.isEmpty() ? names.get(parentEntity) : role)));
        List<String> parentKey = keys.get(parentEntity).stream().map(DerivedColumn::name).toList();
        return Optional.of(ForeignKey.of(name, columns.stream().map(DerivedColumn::name).toList(),
                QualifiedName.of(names.get(parentEntity)), parentKey)
                .withActions(relationship.onDelete(), relationship.onUpdate()));
    }

    private void addUnique(List<UniqueKey> uniques, List<String> columns, String name, List<String> primaryKey) {
        boolean said = columns.isEmpty() || Set.copyOf(columns).equals(Set.copyOf(primaryKey))
                || uniques.stream().anyMatch(other -> Set.copyOf(other.columns()).equals(Set.copyOf(columns)));
        if (!said) {
            uniques.add(new UniqueKey(constraints.free(name), columns));
        }
    }

    private List<CheckRule> checks(String table, List<Attribute> attributes) {
        if (attributes.stream().allMatch(attribute -> attribute.check().isEmpty())) {
            return List.of();
        }
        Map<String, String> columnNames = columnNames(attributes);
        return attributes.stream().filter(attribute -> attribute.check().isPresent()).map(attribute -> new CheckRule(
                constraints.free(attribute.checkName().isEmpty()
                        ? named(naming.template(Template.CHECK), table, naming.column(attribute.name()))
                        : attribute.checkName()),
                Expression.of(attribute.check().get()).renamed(columnNames).text())).toList();
    }

    private String parentTable(Relationship relationship) {
        return names.get(relationship.parentEntity().orElseThrow());
    }
}
