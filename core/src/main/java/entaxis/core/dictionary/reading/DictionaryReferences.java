package entaxis.core.dictionary.reading;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.Derivation;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Fresh;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import entaxis.core.dictionary.Dictionary.AttributeEntry;
import entaxis.core.dictionary.Dictionary.EntityEntry;
import entaxis.core.dictionary.Dictionary.Source;
import entaxis.core.dictionary.reading.DictionaryUpdate.Difference;
import entaxis.core.dictionary.reading.ReadDictionary.ReadAttribute;
import entaxis.core.dictionary.reading.ReadDictionary.ReadRelationship;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a dictionary that comes back says otherwise of the references from one entity to another: they may be required
 * or unique, read otherwise, or new. An attribute that now refers to an entity gives way to the column of the
 * relationship, which keeps its name.
 */
final class DictionaryReferences {
    private final Design design;
    private final Map<String, EntityEntry> known;
    private final Map<String, EntityId> added;
    private final Map<EntityId, List<Change>> making;
    private final Fresh fresh;

    /**
     * An update of a design.
     *
     * @param known  what the dictionary of the design says now, by name
     * @param added  the entities that the file adds, by name
     * @param making what makes each of these
     */
    DictionaryReferences(Design design, Map<String, EntityEntry> known, Map<String, EntityId> added,
            Map<EntityId, List<Change>> making, Fresh fresh) {
        this.design = design;
        this.known = known;
        this.added = added;
        this.making = making;
        this.fresh = fresh;
    }

    Optional<Difference> of(ReadRelationship read) {
        Optional<EntityId> child = entity(read.from());
        Optional<EntityId> parent = entity(read.to());
        if (child.isEmpty() || parent.isEmpty()) {
            return Optional.empty();
        }
        Optional<RelationshipId> there =
                Optional.ofNullable(known.get(SqlName.of(read.from()))).flatMap(entry -> brought(entry, read));
        return there.isPresent()
                ? design.relationships().find(there.get()).flatMap(relationship -> altered(read, relationship))
                : Optional.of(made(read, child.get(), parent.get()));
    }

    private Optional<EntityId> entity(String name) {
        String key = SqlName.of(name);
        return Optional.ofNullable(known.get(key)).map(EntityEntry::owner).flatMap(DictionaryReferences::entity)
                .or(() -> Optional.ofNullable(added.get(key)));
    }

    private static Optional<EntityId> entity(OwnerId owner) {
        return owner instanceof EntityId id ? Optional.of(id) : Optional.empty();
    }

    /** The relationship that brought one of the columns, if there is one. */
    private static Optional<RelationshipId> brought(EntityEntry entry, ReadRelationship read) {
        Set<String> columns =
                read.columns().stream().map(column -> SqlName.of(column.name())).collect(Collectors.toSet());
        return entry.attributes().stream().filter(attribute -> columns.contains(SqlName.of(attribute.name())))
                .map(AttributeEntry::source).flatMap(Optional::stream)
                .filter(source -> SqlName.of(source.entity()).equals(SqlName.of(read.to()))).map(Source::relationship)
                .findFirst();
    }

    private Optional<Difference> altered(ReadRelationship read, Relationship relationship) {
        if (relationship.manyToMany()) {
            return Optional.empty();
        }
        Side parent = relationship.parent().orElse(Side.FIRST);
        End one = relationship.end(parent);
        End many = relationship.end(parent.other());
        List<String> words = new ArrayList<>();
        List<Change> changes = new ArrayList<>();
        Optional<Boolean> required = read.rank() > 0 ? Optional.empty() : read.columns().getFirst().required();
        if (required.filter(now -> now == one.cardinality().optional()).isPresent()) {
            words.add(required.get() ? "it is required" : "it may be empty");
            changes.add(alter(relationship, new RelationshipAspect.HowMany(parent,
                    required.get() ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE)));
        }
        if (read.unique() && many.cardinality().many() && !keyed(relationship, many)) {
            words.add("no two refer to the same");
            changes.add(alter(relationship, new RelationshipAspect.HowMany(parent.other(),
                    many.cardinality().optional() ? Cardinality.ZERO_OR_ONE : Cardinality.EXACTLY_ONE)));
        }
        if (!read.verb().isBlank() && !read.verb().equals(one.verb())) {
            words.add("it reads “" + read.to() + " " + read.verb() + " " + read.from() + "”");
            changes.add(alter(relationship, new RelationshipAspect.Verb(parent, read.verb())));
        }
        return changes.isEmpty() ? Optional.empty()
                : Optional.of(new Difference(about(read), String.join(", ", words), changes));
    }

    /**
     * Whether the columns of a relationship are a key of the child by themselves, so that no two rows refer to the same
     * anyway.
     */
    private boolean keyed(Relationship relationship, End child) {
        List<KeyPart> alone = List.of(new InheritedPart(relationship.id()));
        Entity entity = design.entities().get(child.entity());
        return entity.primaryKey().equals(alone)
                || entity.alternateKeys().stream().anyMatch(key -> key.parts().equals(alone));
    }

    private static Change alter(Relationship relationship, RelationshipAspect aspect) {
        return new Change.AlterRelationship(relationship.id(), aspect);
    }

    private static String about(ReadRelationship read) {
        return read.from() + "." + read.columns().stream().map(ReadAttribute::name).collect(Collectors.joining(", "));
    }

    private Difference made(ReadRelationship read, EntityId child, EntityId parent) {
        List<Change> changes = new ArrayList<>();
        changes.addAll(making.getOrDefault(parent, List.of()));
        changes.addAll(making.getOrDefault(child, List.of()));
        boolean identifying = read.rank() > 0 && !parent.equals(child);
        RelationshipId id = new RelationshipId(fresh.id('r'));
        design.entities().find(child).ifPresent(entity -> entity.attributes().stream()
                .filter(own -> read.columns().stream()
                        .anyMatch(column -> SqlName.of(column.name()).equals(SqlName.of(own.name()))))
                .forEach(own -> changes.add(new Change.RemoveAttribute(child, own.id()))));
        changes.add(new Change.AddRelationship(Relationship.between(id,
                End.of(parent, read.required() || identifying ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE,
                        read.verb().isBlank() ? End.HAS : read.verb()),
                End.of(child, read.unique() ? Cardinality.ZERO_OR_ONE : Cardinality.ZERO_OR_MORE, End.BELONGS_TO)),
                identifying));
        keyColumn(parent).filter(path -> read.columns().size() == 1)
                .ifPresent(path -> changes.add(new Change.AlterRelationship(id,
                new RelationshipAspect.ColumnName(Side.FIRST, path, read.columns().getFirst().name()))));
        return new Difference(about(read), "it refers to " + read.to() + ": a new relationship", changes);
    }

    /** The only column of an entity's key; none if it has several, or is new. */
    private Optional<ColumnPath> keyColumn(EntityId parent) {
        return design.entities().contains(parent)
                ? Derivation.of(design).stated().derived(parent)
                        .map(DerivedTable::key).filter(key -> key.size() == 1).map(key -> key.getFirst().path())
                : Optional.empty();
    }
}
