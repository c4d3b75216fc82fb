package entaxis.core.derive;

import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.Category;
import entaxis.core.design.ColumnPath.Hop;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.Elements;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.ForeignColumns;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.KeyPaths;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.SampleRow;
import entaxis.core.design.Side;
import entaxis.core.design.SqlName;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Tables of the kinds only, each with all that the general entity has. */
final class TablePerSubtype {
    private final Design design;
    private final Category category;
    private final Map<RelationshipId, RelationshipId> origins;
    private final Entity general;

    TablePerSubtype(Design design, Category category, Map<RelationshipId, RelationshipId> origins) {
        this.design = design;
        this.category = category;
        this.origins = origins;
        this.general = design.entities().get(category.general());
    }

    Design fold() {
        Design next = design.withCategories(design.categories().without(category.id()));
        List<Relationship> inherited = design.relationshipsOf(general.id())
                .filter(relationship -> !category.kinds().contains(relationship.id())).toList();
        for (int i = 0; i < category.kinds().size(); i++) {
            RelationshipId kindOf = category.kinds().get(i);
            Entity kind = next.entities().get(design.relationships().get(kindOf).second().entity());
            Map<RelationshipId, RelationshipId> copies = new HashMap<>();
            for (Relationship relationship : inherited) {
                RelationshipId copy = new RelationshipId(relationship.id().value() + "z" + i);
                copies.put(relationship.id(), copy);
                origins.put(copy, origins.getOrDefault(relationship.id(), relationship.id()));
                Side side = relationship.child().orElseThrow();
                End parent = relationship.end(side.other());
                Relationship own = new Relationship(copy, relationship.name(), relationship.first(),
                        relationship.second(), relationship.childOfOneToOne(),
                        relationship.onDelete(), relationship.onUpdate(), List.of());
                next = next.with(own.with(side, own.end(side).at(kind.id())).with(side.other(), parent));
            }
            next = next.with(complete(kind, copies));
            next = next.withRelationships(next.relationships().without(kindOf));
        }
        for (Relationship relationship : inherited) {
            next = next.withRelationships(next.relationships().without(relationship.id()));
        }
        return rows(next.withEntities(next.entities().without(general.id())));
    }

    /** The kind with the general attributes before its own, and the general keys. */
    private Entity complete(Entity kind, Map<RelationshipId, RelationshipId> copies) {
        List<Member> members = new ArrayList<>();
        for (Member member : general.members()) {
            switch (member) {
                case Attribute own -> members.add(own);
                case ForeignColumns(RelationshipId id) -> members.add(new ForeignColumns(copies.getOrDefault(id, id)));
            }
        }
        for (Member member : kind.members()) {
            boolean clash = member instanceof Attribute own && general.attributes().stream()
                    .anyMatch(other -> SqlName.of(other.name()).equals(SqlName.of(own.name())));
            members.add(clash ? ((Attribute) member).named(kind.name() + " " + ((Attribute) member).name()) : member);
        }
        List<AlternateKey> alternates = new ArrayList<>();
        general.alternateKeys()
                .forEach(key -> alternates.add(new AlternateKey(key.number(), parts(key.parts(), copies))));
        int highest = alternates.stream().mapToInt(AlternateKey::number).max().orElse(0);
        kind.alternateKeys().forEach(key -> alternates.add(new AlternateKey(highest + key.number(), key.parts())));
        List<Index> indexes = new ArrayList<>();
        general.indexes().forEach(index -> indexes.add(new Index("", index.unique(),
                index.parts().stream().map(part -> new IndexPart(part(part.part(), copies), part.descending()))
                        .toList())));
        indexes.addAll(kind.indexes());
        List<NamedCheck> checks = new ArrayList<>(general.checks());
        checks.addAll(kind.checks());
        return kind.withMembers(members).withPrimaryKey(parts(general.primaryKey(), copies))
                .withAlternateKeys(alternates).withIndexes(indexes).withChecks(checks);
    }

    private static List<KeyPart> parts(List<KeyPart> parts, Map<RelationshipId, RelationshipId> copies) {
        return parts.stream().map(part -> part(part, copies)).toList();
    }

    private static KeyPart part(KeyPart part, Map<RelationshipId, RelationshipId> copies) {
        return part instanceof InheritedPart(RelationshipId id) ? new InheritedPart(copies.getOrDefault(id, id)) : part;
    }

    /** The general sample rows put into the rows of the kinds that have the same key. */
    private Design rows(Design next) {
        List<ColumnPath> key = KeyPaths.of(design, general.id());
        Map<List<String>, SampleRow> generals = new HashMap<>();
        design.rows().stream().filter(row -> row.table().equals(general.id()))
                .forEach(row -> generals.put(key.stream().map(path -> row.values().getOrDefault(path, "")).toList(),
                        row));
        List<SampleRow> rows = new ArrayList<>();
        for (SampleRow row : next.rows()) {
            Optional<Integer> number = category.kinds().stream()
                    .filter(kind -> row.table().equals(design.relationships().get(kind).second().entity()))
                    .map(category.kinds()::indexOf).findFirst();
            if (number.isPresent()) {
                rows.add(whole(row, category.kinds().get(number.get()), "z" + number.get(), key, generals));
            } else if (!row.table().equals(general.id())) {
                rows.add(row);
            }
        }
        return next.withRows(Elements.of(rows));
    }

    private static SampleRow whole(SampleRow row, RelationshipId kindOf, String mark, List<ColumnPath> key,
            Map<List<String>, SampleRow> generals) {
        Map<ColumnPath, String> all = new HashMap<>();
        List<String> values =
                key.stream().map(path -> row.values().getOrDefault(path.over(kindOf, Side.FIRST), "")).toList();
        Optional.ofNullable(generals.get(values))
                .ifPresent(found -> found.values().forEach((path, value) -> all.put(copied(path, mark), value)));
        row.values().forEach((path, value) -> {
            boolean ofKey = path.migrated() && path.hops().getFirst().relationship().equals(kindOf);
            all.put(ofKey ? copied(path.inParent(), mark)
                    : path, value);
        });
        return new SampleRow(row.id(), row.table(), all);
    }

    private static ColumnPath copied(ColumnPath path, String mark) {
        if (!path.migrated()) {
            return path;
        }
        List<Hop> hops = new ArrayList<>(path.hops());
        hops.set(0,
                new Hop(new RelationshipId(hops.getFirst().relationship().value() + mark), hops.getFirst().parent()));
        return new ColumnPath(hops, path.attribute());
    }
}
