package entaxis.core.reverse;

import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Domain;
import entaxis.core.design.Elements;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Enumeration;
import entaxis.core.design.ForeignColumns;
import entaxis.core.design.Fresh;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.NamedType;
import entaxis.core.design.Naming;
import entaxis.core.design.OpaqueId;
import entaxis.core.design.OpaqueObject;
import entaxis.core.design.OpaqueProgram;
import entaxis.core.design.OpaqueSequence;
import entaxis.core.design.Partitions;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Sheet;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.design.Structure;
import entaxis.core.design.TypeId;
import entaxis.core.expression.Expression;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition.EnumDefinition;
import entaxis.core.schema.TypeDefinition.StructureDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.schema.UniqueKey;
import entaxis.core.type.SqlType.DesignType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Turns tables in ISO words into a design (the way back of key migration, FIPS PUB 184): a foreign key becomes a
 * relationship that owns its columns, identifying where they are part of the primary key, with cardinalities from what
 * may be null and what is unique. Linear in the size of the schema.
 */
public final class ReverseEngineering {
    private final Fresh fresh;
    private final Set<String> bridges;
    private final List<String> remarks = new ArrayList<>();
    private final Map<QualifiedName, Table> tables = new LinkedHashMap<>();
    private final Map<QualifiedName, EntityId> entities = new HashMap<>();
    private final Map<QualifiedName, Partitions> partitions = new HashMap<>();
    /** By their names in the design. */
    private final Map<String, NamedType> types = new LinkedHashMap<>();
    private final Map<UserType, NamedType> defined = new HashMap<>();
    private final DesignNames names;
    private final Map<RelationshipId, Reference> references = new LinkedHashMap<>();

    /** A foreign key that becomes a relationship. */
    private record Reference(Table table, ForeignKey key) { }

    private ReverseEngineering(Schema schema, Fresh fresh, Set<String> bridges) {
        this.names = DesignNames.of(schema);
        this.fresh = fresh;
        this.bridges = bridges;
    }

    /**
     * Lifts tables into a design.
     *
     * @param bridges labels of the tables that become a many-to-many
     * @param fresh   gives the identities of the elements
     */
    public static ReversedDesign reverse(Schema schema, DesignProperties facts, Sheet sheet, Set<String> bridges,
            Fresh fresh) {
        return new ReverseEngineering(schema, fresh, bridges).reversed(schema, facts, sheet);
    }

    private ReversedDesign reversed(Schema schema, DesignProperties facts, Sheet sheet) {
        ReversedPartitions found = ReversedPartitions.of(schema, bridges);
        partitions.putAll(found.ofWhole());
        remarks.addAll(found.remarks());
        schema.tables().stream().filter(table -> !found.wholes().containsKey(table.qualifiedName())).forEach(table -> {
            if (tables.putIfAbsent(table.qualifiedName(), table) == null && names.renames(table)) {
                remarks.add("The table " + table.label() + " is called " + names.of(table)
                        + " in the design, where names of entities are unique.");
            }
        });
        schema.types().forEach(this::define);
        boolean plain = tables.values().stream().allMatch(table -> SqlName.of(table.name()).equals(table.name())
                && table.columns().stream().allMatch(column -> SqlName.of(column.name()).equals(column.name())));
        Naming naming = plain ? Naming.DEFAULT : new Naming(Naming.Grammar.AS_TYPED, Naming.Grammar.AS_TYPED,
                Naming.Letters.AS_NAMED, "_", "", Map.of());
        tables.values().stream().filter(table -> !bridges.contains(table.label()))
                .forEach(table -> entities.put(table.qualifiedName(), new EntityId(fresh.id('e'))));
        List<Relationship> relationships = new ArrayList<>();
        List<Entity> made = new ArrayList<>();
        for (Table table : tables.values()) {
            if (bridges.contains(table.label())) {
                manyToMany(table, plain).ifPresent(relationships::add);
            } else {
                made.add(entity(table, plain, relationships));
            }
        }
        DesignProperties named = plain ? facts : new DesignProperties(facts.name(), facts.target(), facts.title(),
                facts.author(), Optional.of(naming));
        Design design = Design.empty(named, sheet).withTypes(Elements.of(List.copyOf(types.values())))
                .withEntities(Elements.of(made)).withRelationships(Elements.of(relationships));
        return new ReversedDesign(columnsNamed(design).withCarried(Elements.of(carried(schema))), remarks);
    }

    private List<OpaqueObject> carried(Schema schema) {
        List<OpaqueObject> carried = new ArrayList<>();
        schema.sequences().forEach(sequence -> carried.add(new OpaqueSequence(new OpaqueId(fresh.id('v')),
                sequence.namespace(), sequence.name(), sequence.start(), sequence.step(), sequence.comment())));
        schema.programs().forEach(program -> carried.add(new OpaqueProgram(new OpaqueId(fresh.id('v')), program.kind(),
                program.namespace(), program.name(), program.target(), program.text(), program.comments())));
        return carried;
    }

    // names

    private static String entityName(String table, boolean plain) {
        String spaced = table.replace('_', ' ').strip();
        String pretty =
                spaced.isEmpty() ? table : spaced.substring(0, 1).toUpperCase(Locale.ROOT) + spaced.substring(1);
        return plain && SqlName.of(pretty).equals(table) ? pretty : table;
    }

    // types

    private void define(TypeDefinition definition) {
        TypeId id = new TypeId(fresh.id('t'));
        String name = types.containsKey(definition.name())
                ? free(definition.qualifiedName().namespace() + "_" + definition.name()) : definition.name();
        NamedType named = switch (definition) {
            case DomainDefinition domain -> new Domain(id, name, type(domain.base(), domain.name()),
                    domain.defaultValue().map(Expression::text),
                    domain.checkOfAll().map(rule -> rule.condition().text()), domain.comment());
            case EnumDefinition enumeration ->
                    new Enumeration(id, name, enumeration.values(), enumeration.comment());
            case StructureDefinition structure -> new Structure(id, name,
                    structure.fields().stream()
                            .map(field -> new Structure.Field(field.name(),
                                    type(field.type(), structure.name() + "_" + field.name())))
                            .toList(),
                    structure.comment());
        };
        types.put(name, named);
        defined.put(definition.type(), named);
    }

    /** A type as a design holds it; a list of values that belongs to a column becomes an enumeration named after it. */
    private SqlType type(SqlType type, String place) {
        return switch (type) {
            case UserType user when defined.containsKey(user) -> new DesignType(defined.get(user).id().value());
            case UserType user -> new SqlType.NativeType(user.label());
            case EnumType(List<String> values) -> {
                Optional<NamedType> same = types.values().stream()
                        .filter(other -> other instanceof Enumeration listed && listed.values().equals(values))
                        .findFirst();
                NamedType named =
                        same.orElseGet(() -> new Enumeration(new TypeId(fresh.id('t')), free(place), values, ""));
                types.put(named.name(), named);
                yield new DesignType(named.id().value());
            }
            default -> type;
        };
    }

    private String free(String wanted) {
        String base = SqlName.of(wanted);
        String name = base;
        for (int number = 2; types.containsKey(name); number++) {
            name = base + "_" + number;
        }
        return name;
    }

    // entities

    private Entity entity(Table table, boolean plain, List<Relationship> relationships) {
        EntityId id = entities.get(table.qualifiedName());
        Map<String, KeyPart> parts = new HashMap<>();
        for (ForeignKey key : table.foreignKeys()) {
            relationship(table, key, parts).ifPresent(relationships::add);
        }
        List<Member> members = new ArrayList<>();
        Set<KeyPart> placed = new HashSet<>();
        Map<String, AttributeId> own = new HashMap<>();
        for (Column column : table.columns()) {
            KeyPart part = parts.get(column.name());
            if (part == null) {
                AttributeId attribute = new AttributeId(fresh.id('a'));
                own.put(column.name(), attribute);
                parts.put(column.name(), new OwnPart(attribute));
                members.add(attribute(column, attribute, table));
            } else if (placed.add(part) && part instanceof InheritedPart(RelationshipId relationship)) {
                members.add(new ForeignColumns(relationship));
            }
        }
        List<NamedCheck> checks = new ArrayList<>();
        table.checks().forEach(check -> checked(check, own, members).ifPresent(checks::add));
        List<KeyPart> key = keyParts(table, table.keyColumns(), parts, "primary key").orElse(List.of());
        List<AlternateKey> alternates = new ArrayList<>();
        for (UniqueKey unique : table.uniqueKeys()) {
            Optional<List<KeyPart>> columns = keyParts(table, unique.columns(), parts, "unique key " + unique.name());
            boolean ofOneToOne = columns.isPresent() && columns.get().size() == 1
                    && columns.get().getFirst() instanceof InheritedPart;
            if (columns.isPresent() && !ofOneToOne) {
                alternates.add(new AlternateKey(alternates.size() + 1, columns.get()));
            }
        }
        List<Index> indexes = new ArrayList<>();
        table.indexes().forEach(index -> index(table, index, parts).ifPresent(indexes::add));
        return new Entity(id, entityName(names.of(table), plain), table.comment(), Optional.empty(), members, key,
                alternates, indexes, checks, Optional.ofNullable(partitions.get(table.qualifiedName())));
    }

    private Attribute attribute(Column column, AttributeId id, Table table) {
        return new Attribute(id, column.name(), type(column.type(), names.of(table) + "_" + column.name()),
                column.required(), column.defaultValue().map(Expression::text), Optional.empty(), "",
                column.identity(), column.numbering(), column.generated().map(Expression::text), column.comment());
    }

    /** A condition that speaks of one attribute becomes that attribute's own; others stay with the entity. */
    private static Optional<NamedCheck> checked(CheckRule check, Map<String, AttributeId> own, List<Member> members) {
        Set<String> words = check.condition().columns();
        List<AttributeId> spoken =
                own.entrySet().stream().filter(column -> words.contains(column.getKey().toLowerCase(Locale.ROOT)))
                        .map(Map.Entry::getValue).toList();
        for (int i = 0; i < members.size() && spoken.size() == 1; i++) {
            if (members.get(i) instanceof Attribute attribute && attribute.id().equals(spoken.getFirst())
                    && attribute.check().isEmpty()) {
                members.set(i, new Attribute(attribute.id(), attribute.name(), attribute.type(), attribute.required(),
                        attribute.defaultValue(), Optional.of(check.condition().text()), check.name(),
                        attribute.identity(), attribute.numbering(), attribute.generated(), attribute.meaning()));
                return Optional.empty();
            }
        }
        return Optional.of(new NamedCheck(check.name(), check.condition().text()));
    }

    /** Columns as parts of a key: own ones and whole references; none if a reference would be torn apart. */
    private Optional<List<KeyPart>> keyParts(Table table, List<String> columns, Map<String, KeyPart> parts,
            String what) {
        List<KeyPart> key = new ArrayList<>();
        Set<String> left = new HashSet<>(columns);
        for (String column : columns) {
            if (!left.contains(column)) {
                continue;
            }
            KeyPart part = parts.get(column);
            if (part == null) {
                return Optional.empty();
            }
            key.add(part);
            left.remove(column);
            if (part instanceof InheritedPart(RelationshipId id)) {
                List<String> whole = references.get(id).key().columns();
                left.removeAll(whole);
                if (!columns.containsAll(whole)) {
                    remarks.add(table.label() + ": the " + what + " takes only part of the columns that refer to "
                            + references.get(id).key().referenced().label() + "; it is left out.");
                    return Optional.empty();
                }
            }
        }
        return Optional.of(key);
    }

    private Optional<Index> index(Table table, TableIndex index, Map<String, KeyPart> parts) {
        boolean onBeginnings = index.columns().stream().anyMatch(column -> column.prefix().isPresent());
        if (index.columns().stream().anyMatch(IndexColumn::expression) || index.predicate().isPresent()
                || onBeginnings) {
            remarks.add(table.label() + ": the index " + index.name() + " is on "
                    + (onBeginnings ? "the beginnings of values" : "an expression or on some rows only")
                    + "; designs keep no such indexes, so it is left out.");
            return Optional.empty();
        }
        if (!index.included().isEmpty() || !index.method().isEmpty() || index.columns().stream()
                .anyMatch(column -> !column.ordering().isDefault())) {
            remarks.add(table.label() + ": of the index " + index.name()
                    + " only the columns and their order are kept, not what else it says.");
        }
        List<String> columns = index.columns().stream().map(IndexColumn::name).toList();
        Map<KeyPart, Boolean> falling = new HashMap<>();
        index.columns().forEach(column -> falling.putIfAbsent(parts.get(column.name()), column.descending()));
        return keyParts(table, columns, parts, "index " + index.name())
                .map(key -> new Index(index.name(), index.unique(),
                        key.stream().map(part -> new IndexPart(part, falling.getOrDefault(part, false))).toList()));
    }

    // relationships

    private Optional<Relationship> relationship(Table table, ForeignKey key, Map<String, KeyPart> parts) {
        Optional<Table> parent = Optional.ofNullable(tables.get(key.referenced()))
                .filter(found -> entities.containsKey(found.qualifiedName()));
        String refused = parent.isEmpty() ? "which is not among the tables"
                : !new HashSet<>(parent.get().keyColumns()).equals(new HashSet<>(key.referencedColumns()))
                        || parent.get().keyColumns().size() != key.columns().size()
                ? "by something else than its primary key"
                : key.columns().stream().anyMatch(parts::containsKey) ? "by columns that refer elsewhere already"
                : torn(table, key) ? "by columns of which only some are in the primary key" : "";
        if (!refused.isEmpty()) {
            remarks.add(table.label() + ": " + String.join(", ", key.columns()) + " refers to "
                    + key.referenced().label() + " " + refused + "; the columns stay, the reference is left out.");
            return Optional.empty();
        }
        RelationshipId id = new RelationshipId(fresh.id('r'));
        references.put(id, new Reference(table, key));
        key.columns().forEach(column -> parts.put(column, new InheritedPart(id)));
        boolean required =
                key.columns().stream().allMatch(name -> table.column(name).filter(Column::required).isPresent());
        Set<String> columns = new HashSet<>(key.columns());
        boolean unique = columns.equals(new HashSet<>(table.keyColumns()))
                || table.uniqueKeys().stream().anyMatch(other -> columns.equals(new HashSet<>(other.columns())));
        End first =
                End.of(entities.get(parent.get().qualifiedName()),
                        required ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE, End.HAS)
                        .role(role(table, key, parent.get()));
        End second = End.of(entities.get(table.qualifiedName()),
                unique ? Cardinality.ZERO_OR_ONE : Cardinality.ZERO_OR_MORE, End.BELONGS_TO);
        return Optional
                .of(new Relationship(id, "", first, second, Side.SECOND, key.onDelete(), key.onUpdate(), List.of()));
    }

    private static boolean torn(Table table, ForeignKey key) {
        long inside = key.columns().stream().filter(table.keyColumns()::contains).count();
        return inside != 0 && inside != key.columns().size();
    }

    /**
     * The role that a column's name tells: {@code mother_id} refers to a plant that is the mother (FIPS PUB 184, role
     * names).
     */
    private static String role(Table table, ForeignKey key, Table parent) {
        if (key.columns().size() != 1) {
            return "";
        }
        String column = key.columns().getFirst();
        String parentKey = parent.keyColumns().getFirst();
        String suffix = column.endsWith("_" + parentKey) ? "_" + parentKey : column.endsWith("_id") ? "_id" : "";
        String stem = suffix.isEmpty() ? "" : column.substring(0, column.length() - suffix.length());
        boolean told = stem.isEmpty() || stem.equalsIgnoreCase(parent.name())
                || parent.name().toLowerCase(Locale.ROOT).startsWith(stem.toLowerCase(Locale.ROOT))
                || parentKey.equalsIgnoreCase(column);
        boolean alone = parent != table && table.foreignKeys().stream()
                .filter(other -> other.referenced().equals(parent.qualifiedName())).count() == 1;
        return told && alone ? "" : stem.replace('_', ' ');
    }

    private Optional<Relationship> manyToMany(Table table, boolean plain) {
        List<ForeignKey> keys = table.foreignKeys();
        if (keys.size() != 2 || !keys.stream().allMatch(key -> entities.containsKey(key.referenced()))) {
            remarks.add(table.label() + " connects tables that are not taken over; it is left out.");
            return Optional.empty();
        }
        RelationshipId id = new RelationshipId(fresh.id('r'));
        references.put(id, new Reference(table, keys.getFirst()));
        Set<String> referring = new HashSet<>(table.keyColumns());
        List<Attribute> attributes = table.columns().stream().filter(column -> !referring.contains(column.name()))
                .map(column -> attribute(column, new AttributeId(fresh.id('a')), table)).toList();
        End first = End.of(entities.get(keys.getFirst().referenced()), Cardinality.ZERO_OR_MORE, "goes with");
        End second = End.of(entities.get(keys.getLast().referenced()), Cardinality.ZERO_OR_MORE, "goes with");
        return Optional.of(new Relationship(id, entityName(names.of(table), plain), first, second, Side.SECOND,
                keys.getFirst().onDelete(), keys.getFirst().onUpdate(), attributes));
    }

    /** Gives the columns that relationships make the names that they had, where others would be derived. */
    private Design columnsNamed(Design design) {
        Derivation derivation = Derivation.of(design);
        Design named = design;
        for (Relationship relationship : design.relationships()) {
            Reference reference = references.get(relationship.id());
            Relationship renamed = relationship;
            for (Side side : relationship.manyToMany() ? Side.values() : new Side[] {Side.FIRST}) {
                ForeignKey key = side == Side.FIRST ? reference.key() : reference.table().foreignKeys().getLast();
                Optional<Map<ColumnPath, String>> names = names(derivation, relationship, side, key);
                if (names.isPresent() && !names.get().isEmpty()) {
                    End end = renamed.end(side).columnNames(names.get());
                    renamed = side == Side.FIRST ? withEnds(renamed, end, renamed.second())
                            : withEnds(renamed, renamed.first(), end);
                }
            }
            named = renamed == relationship ? named : named.with(renamed);
        }
        return named;
    }

    private static Relationship withEnds(Relationship relationship, End first, End second) {
        return new Relationship(relationship.id(), relationship.name(), first, second, relationship.childOfOneToOne(),
                relationship.onDelete(), relationship.onUpdate(), relationship.attributes());
    }

    private Optional<Map<ColumnPath, String>> names(Derivation derivation, Relationship relationship, Side side,
            ForeignKey key) {
        Optional<DerivedTable> parent = derivation.derived(relationship.end(side).entity());
        Optional<DerivedTable> child = derivation.derived(relationship.manyToMany() ? relationship.id()
                : relationship.end(side == Side.FIRST ? Side.SECOND : Side.FIRST).entity());
        if (parent.isEmpty() || child.isEmpty()) {
            return Optional.empty();
        }
        Map<ColumnPath, String> names = new HashMap<>();
        List<String> parentKey = parent.get().table().keyColumns();
        for (String keyColumn : parentKey) {
            ColumnPath path = parent.get().path(keyColumn).orElseThrow();
            int place = key.referencedColumns().indexOf(
                    tables.get(key.referenced()).keyColumns().get(parentKey.indexOf(keyColumn)));
            String wanted = key.columns().get(Math.max(0, place));
            ColumnPath migrated = path.over(relationship.id(), side);
            boolean asDerived =
                    child.get().column(migrated).filter(column -> column.name().equals(wanted)).isPresent();
            if (!asDerived) {
                names.put(path, wanted);
            }
        }
        return Optional.of(names);
    }
}
