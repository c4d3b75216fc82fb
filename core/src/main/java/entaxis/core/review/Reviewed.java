package entaxis.core.review;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Domain;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.expression.Condition;
import entaxis.core.normalize.AcrossEntities;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A design under review, with what follows from it and what rules ask of it again and again; several threads may ask.
 */
public final class Reviewed {
    /** The columns of a table by what brings them in. */
    private record ColumnOrigins(Map<AttributeId, DerivedColumn> own,
            Map<RelationshipId, List<DerivedColumn>> migrated) {
        static ColumnOrigins of(DerivedTable table) {
            ColumnOrigins origins = new ColumnOrigins(new HashMap<>(), new HashMap<>());
            table.columns().forEach(column -> origins.put(column.path(), column));
            return origins;
        }

        private void put(ColumnPath path, DerivedColumn column) {
            if (path.migrated()) {
                migrated.computeIfAbsent(path.hops().getFirst().relationship(), any -> new ArrayList<>(2)).add(column);
            } else {
                own.put(path.attribute(), column);
            }
        }
    }

    /** The relationships by the entities that they touch, and by those whose tables refer to others. */
    private record Links(Map<EntityId, List<Relationship>> touching, Map<EntityId, List<Relationship>> referring) {
        static final Links NONE = new Links(Map.of(), Map.of());

        static Links of(Iterable<Relationship> relationships) {
            Links links = new Links(new HashMap<>(), new HashMap<>());
            relationships.forEach(links::put);
            return links;
        }

        private void put(Relationship relationship) {
            EntityId first = relationship.first().entity();
            touching.computeIfAbsent(first, any -> new ArrayList<>(4)).add(relationship);
            relationship.childEntity()
                    .ifPresent(child -> referring.computeIfAbsent(child, any -> new ArrayList<>(4)).add(relationship));
            if (!relationship.recursive()) {
                EntityId second = relationship.second().entity();
                touching.computeIfAbsent(second, any -> new ArrayList<>(4)).add(relationship);
            }
        }
    }

    /** So many attributes are looked up beside the others; with more, all are put together again. */
    private static final int MAX_NEWER = 500;

    private final Design design;
    private final Derivation derivation;
    private final Dialect dialect;
    /** Put together when the first rule asks, unless it is that of an earlier state. */
    private volatile Links links = Links.NONE;
    private final Map<EntityId, ColumnOrigins> columns = new ConcurrentHashMap<>();
    private final Map<EntityId, Map<String, Attribute>> facts = new ConcurrentHashMap<>();
    private final Map<OwnerId, List<SampleRow>> rows = new HashMap<>();
    private volatile Map<AttributeId, Attribute> attributes = Map.of();
    /** What is newer than in the attributes, where these were taken over from an earlier state. */
    private Map<AttributeId, Attribute> newer = Map.of();
    private final Map<String, Optional<Condition>> conditions = new ConcurrentHashMap<>();

    /** A design with its schema, for an engine. Linear in the design. */
    public Reviewed(Design design, Derivation derivation, Dialect dialect) {
        this.design = design;
        this.derivation = derivation;
        this.dialect = dialect;
        design.rows().forEach(row -> rows.computeIfAbsent(row.table(), any -> new ArrayList<>()).add(row));
    }

    /** A design for the engine that it states. */
    public static Reviewed of(Design design, Derivation derivation) {
        return new Reviewed(design, derivation, Dialect.of(design.facts().target()));
    }

    /** The design. */
    public Design design() {
        return design;
    }

    /** What follows from it. */
    public Derivation derivation() {
        return derivation;
    }

    /** The engine that it is for. */
    public Dialect dialect() {
        return dialect;
    }

    /** The table of an entity, as stated, with what its parts come from. */
    public DerivedTable derived(EntityId entity) {
        return derivation.stated().derived(entity).orElseThrow();
    }

    /** The relationship that a foreign key of an entity's table comes from. */
    public Optional<Relationship> reference(EntityId child, ForeignKey key) {
        return derived(child).relationship(key).flatMap(design.relationships()::find);
    }

    /** The table of an entity, as stated. */
    public Table table(EntityId entity) {
        return derivation.stated().table(entity).orElseThrow();
    }

    private Links links() {
        Links known = links;
        if (known == Links.NONE) {
            known = Links.of(design.relationships());
            links = known;
        }
        return known;
    }

    /** The relationships of an entity. */
    public List<Relationship> relationships(EntityId entity) {
        return links().touching().getOrDefault(entity, List.of());
    }

    /** The relationships whose first end is at an entity, so that each is told once. */
    public List<Relationship> begun(EntityId entity) {
        return relationships(entity).stream().filter(relationship -> relationship.first().entity().equals(entity))
                .toList();
    }

    /** A condition that is written in SQL, read once; nothing if it is not understood. */
    public Optional<Condition> condition(String sql) {
        return conditions.computeIfAbsent(sql, Condition::read);
    }

    /** The relationships in which an entity's table refers to others. */
    public List<Relationship> references(EntityId child) {
        return links().referring().getOrDefault(child, List.of());
    }

    /** The sample rows of an entity or many-to-many. */
    public List<SampleRow> rows(OwnerId table) {
        return rows.getOrDefault(table, List.of());
    }

    /** The column of an own attribute. */
    public Column column(EntityId entity, Attribute attribute) {
        DerivedColumn column = origins(entity).own().get(attribute.id());
        if (column == null) {
            throw new NoSuchElementException("no column of " + attribute.id());
        }
        return column.column();
    }

    /** The own attributes of an entity outside its keys, by their name as a column. */
    public Map<String, Attribute> facts(Entity entity) {
        return facts.computeIfAbsent(entity.id(), any -> AcrossEntities.facts(entity));
    }

    private ColumnOrigins origins(EntityId entity) {
        return columns.computeIfAbsent(entity, any -> ColumnOrigins.of(derived(entity)));
    }

    /** The columns that a relationship brings into its child's table. */
    public List<DerivedColumn> columns(Relationship reference) {
        return origins(reference.childEntity().orElseThrow()).migrated().getOrDefault(reference.id(), List.of());
    }

    /** A type without the domain that may be around it. */
    public SqlType plain(SqlType type) {
        return design.definition(type).map(named -> named instanceof Domain domain ? domain.base() : type).orElse(type);
    }

    /** An entity, as findings are about it. */
    public About about(Entity entity) {
        return new About(About.Kind.ENTITY, entity.id().value(), table(entity.id()).name());
    }

    /** A table, as findings are about it; a partition is about the entity whose rows it holds. */
    public About about(Table table) {
        Table whole = table;
        while (whole.knownHierarchy().isPartition()) {
            whole = derivation.stated().schema().table(whole.knownHierarchy().parents().getFirst().label())
                    .orElseThrow();
        }
        String element = derivation.stated().derived(whole.qualifiedName()).orElseThrow().element().value();
        return new About(About.Kind.ENTITY, element, table.name());
    }

    /** An attribute, as findings are about it. */
    public About about(Entity entity, Attribute attribute) {
        return new About(About.Kind.ATTRIBUTE, entity.id().value(),
                table(entity.id()).name() + "." + column(entity.id(), attribute).name());
    }

    /** A relationship, as findings are about it: its tables with the verb phrase between them. */
    public About about(Relationship relationship) {
        Side reader = relationship.parent().orElse(Side.FIRST);
        return new About(About.Kind.RELATIONSHIP, relationship.id().value(),
                table(relationship.end(reader).entity()).name() + " " + relationship.end(reader).verb() + " "
                + table(relationship.end(reader.other()).entity()).name());
    }

    /** The name of the entity at an end. */
    public String name(EntityId entity) {
        return design.entities().get(entity).name();
    }

    /** The attribute of an entity that a column of whatever generation goes back to. */
    public Optional<Attribute> attribute(AttributeId id) {
        Attribute changed = newer.get(id);
        return Optional.ofNullable(changed != null ? changed : attributes().get(id));
    }

    /** Takes over what an earlier state of the design has found out of entities that are still the same. */
    void follow(Reviewed before) {
        Map<AttributeId, Attribute> changed = new HashMap<>(before.newer);
        for (Entity entity : design.entities().changedSince(before.design.entities())) {
            entity.attributes().forEach(own -> changed.put(own.id(), own));
        }
        if (design.relationships() == before.design.relationships()) {
            links = before.links;
        }
        boolean removed = before.design.entities().size() > design.entities().size();
        if (!removed && changed.size() < MAX_NEWER) {
            attributes = before.attributes;
            newer = attributes.isEmpty() ? Map.of() : changed;
        }
    }

    private Map<AttributeId, Attribute> attributes() {
        Map<AttributeId, Attribute> known = attributes;
        if (known.isEmpty()) {
            known = new HashMap<>();
            for (Entity entity : design.entities()) {
                for (Attribute own : entity.attributes()) {
                    known.put(own.id(), own);
                }
            }
            attributes = known;
        }
        return known;
    }

    /**
     * A text for an identity that is not in use; the same for the same design and seed, so that a review stays a pure
     * function.
     */
    public String unused(char kind, String seed) {
        for (int number = 0;; number++) {
            String id = kind + seed.replaceAll("[^0-9a-z]", "") + (number == 0 ? "" : "x" + number);
            boolean taken = kind == 'a' ? attributes().containsKey(new AttributeId(id))
                    : kind == 'r' && design.relationships().contains(new RelationshipId(id));
            if (!taken) {
                return id;
            }
        }
    }

    /** The names of an entity, its table, its columns and its partitions. */
    List<Object> names(Entity entity) {
        Table table = table(entity.id());
        List<Object> names = new ArrayList<>(List.of(entity.id(), entity.name(), table.name()));
        entity.attributes().forEach(own -> names.add(own.name()));
        table.columns().forEach(column -> names.add(column.name()));
        entity.partitions().ifPresent(own -> own.partitions().forEach(partition -> names.add(partition.name())));
        return names;
    }

    /** Beside the names of entities, what rules about names look at. */
    List<Object> names() {
        List<Object> names = new ArrayList<>(List.of(design.facts().names(), dialect.target()));
        for (Relationship relationship : design.relationships()) {
            names.add(relationship.first().columnNames());
            names.add(relationship.second().columnNames());
            relationship.attributes().forEach(own -> names.add(own.name()));
        }
        return names;
    }
}
