package entaxis.core.update;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.AttributeId;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.Design;
import entaxis.core.design.End;
import entaxis.core.design.Entity;
import entaxis.core.design.ForeignColumns;
import entaxis.core.design.Index.IndexPart;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart.OwnPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.OwnerId;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.design.Side;
import entaxis.core.reconcile.Difference;
import entaxis.core.schema.Column;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Makes relationships of foreign keys of the database, and takes those away that it does not have. */
final class ReferenceUpdate {
    private final DesignInProgress state;

    ReferenceUpdate(DesignInProgress state) {
        this.state = state;
    }

    void withoutReference(Difference difference) {
        Optional<RelationshipId> derived =
                wanted(difference).flatMap(key -> state.relationship(difference.table(), key));
        Optional<ForeignKey> key = derived
                .flatMap(id -> state.owner(difference.table()).flatMap(table -> table.foreignKey(id)));
        if (key.isEmpty()) {
            return;
        }
        RelationshipId stated = state.derivation().stated(derived.get());
        if (differsInActionsOnly(difference)) {
            state.there(difference, Table::foreignKeys).ifPresent(now -> {
                        state.apply(new Change.AlterRelationship(stated,
                                new RelationshipAspect.OnDelete(now.onDelete())), difference.place());
                        state.apply(new Change.AlterRelationship(stated,
                                new RelationshipAspect.OnUpdate(now.onUpdate())), difference.place());
            });
            return;
        }
        Optional<Relationship> relationship = state.design().relationships().find(stated);
        if (relationship.isEmpty() || relationship.get().manyToMany()) {
            state.leave("The foreign key " + difference.name() + " belongs to a many-to-many, and goes with it.");
            return;
        }
        List<Column> columns = key.get().columns().stream()
                .flatMap(name -> state.derived(difference.table(), name).stream()).map(DerivedColumn::column).toList();
        boolean removed = state.apply(new Change.RemoveRelationship(stated),
                "The foreign key " + difference.name());
        Set<String> stay = new HashSet<>(state.there(difference.table())
                .map(table -> table.columns().stream().map(Column::name).toList()).orElse(List.of()));
        Optional<OwnerId> owner = state.owner(difference.table()).map(DerivedTable::element);
        if (removed && owner.isPresent()) {
            columns.stream().filter(column -> stay.contains(column.name())).forEach(column -> state.apply(
                    new Change.AddAttributes(owner.get(), List.of(new Change.NewAttribute(
                            state.attribute(Column.of(column.name(), column.type())
                                    .withRequired(column.required()).withDefault(column.defaultValue()),
                                    difference.table()),
                            false, false))),
                    difference.place()));
        }
    }

    private static Optional<ForeignKey> wanted(Difference difference) {
        return difference.want().filter(ForeignKey.class::isInstance).map(ForeignKey.class::cast);
    }

    /** Whether both sides refer by the same columns to the same, and only do something else. */
    private static boolean differsInActionsOnly(Difference difference) {
        return wanted(difference).isPresent() && difference.have().isPresent()
                && difference.have().get() instanceof ForeignKey own
                && own.columns().equals(wanted(difference).get().columns())
                && own.referenced().equals(wanted(difference).get().referenced());
    }

    void referencesOf(Difference difference) {
        state.there(difference.table()).ifPresent(table -> table.foreignKeys().forEach(key -> refer(table, key)));
    }

    void reference(Difference difference) {
        if (!differsInActionsOnly(difference)) {
            state.there(difference.table()).ifPresent(table -> state.there(difference, Table::foreignKeys)
                    .ifPresent(key -> refer(table, key)));
        }
    }

    /** Makes a relationship of a foreign key; its columns, which are attributes so far, become the relationship's. */
    private void refer(Table table, ForeignKey key) {
        String what = "The foreign key " + key.name() + " of " + table.name();
        Optional<Entity> child = state.entityOf(table.label());
        Optional<Entity> parent = state.entityOf(key.referenced().label());
        Optional<DerivedTable> parentTable = parent.flatMap(entity -> state.derivation().derived(entity.id()));
        boolean byKey = parentTable.isPresent()
                && Set.copyOf(state.stored(parentTable.get().table().keyColumns()))
                        .equals(Set.copyOf(key.referencedColumns()));
        List<Optional<AttributeId>> own =
                key.columns().stream().map(column -> state.own(table.label(), column)).toList();
        if (child.isEmpty() || !byKey || own.stream().anyMatch(Optional::isEmpty)) {
            state.leave(what
                    + " refers by something that designs do not refer by; "
                    + "the columns stay, the reference is left out.");
            return;
        }
        List<KeyPart> gone = own.stream().map(Optional::get).<KeyPart>map(OwnPart::new).toList();
        Relationship relationship = relationship(table, key, parentTable.get(), parent.get(), child.get());
        boolean identifying = table.keyColumns().containsAll(key.columns()) && !relationship.first().cardinality()
                .optional() && !child.get().id().equals(parent.get().id());
        exchange(child.get(), gone, relationship, identifying, what);
    }

    private Relationship relationship(Table table, ForeignKey key, DerivedTable parentTable, Entity parent,
            Entity child) {
        boolean required =
                key.columns().stream().allMatch(name -> table.column(name).map(Column::required).orElse(false));
        Set<String> columns = new HashSet<>(key.columns());
        boolean unique = columns.equals(new HashSet<>(table.keyColumns()))
                || table.uniqueKeys().stream().anyMatch(other -> columns.equals(new HashSet<>(other.columns())));
        Map<ColumnPath, String> names = new HashMap<>();
        for (int i = 0; i < key.columns().size(); i++) {
            String column = key.columns().get(i);
            state.column(parentTable, key.referencedColumns().get(i)).map(DerivedColumn::path)
                    .ifPresent(path -> names.put(path, column));
        }
        End first = End.of(parent.id(), required ? Cardinality.EXACTLY_ONE : Cardinality.ZERO_OR_ONE, End.HAS)
                .columnNames(names);
        End second = End.of(child.id(), unique ? Cardinality.ZERO_OR_ONE : Cardinality.ZERO_OR_MORE, End.BELONGS_TO);
        return new Relationship(new RelationshipId(state.fresh().id('r')), "", first, second, Side.SECOND,
                key.onDelete(),
                key.onUpdate(), List.of());
    }

    /** Puts the columns of a relationship in the place of attributes. */
    private void exchange(Entity entity, List<KeyPart> gone, Relationship relationship, boolean identifying,
            String what) {
        RelationshipId id = relationship.id();
        Design before = state.design();
        List<Member> members = new ArrayList<>();
        boolean placed = false;
        for (Member member : entity.members()) {
            boolean goes = member instanceof Attribute attribute && gone.contains(new OwnPart(attribute.id()));
            if (!goes) {
                members.add(member);
            } else if (!placed) {
                members.add(new ForeignColumns(id));
                placed = true;
            }
        }
        List<KeyPart> primary = exchanged(entity.primaryKey(), gone, new InheritedPart(id), identifying);
        List<AlternateKey> alternates = entity.alternateKeys().stream()
                .filter(alternate -> !new HashSet<>(alternate.parts()).equals(new HashSet<>(gone)))
                .map(alternate -> new AlternateKey(alternate.number(),
                        exchanged(alternate.parts(), gone, new InheritedPart(id), true)))
                .toList();
        List<Index> indexes = entity.indexes().stream()
                .filter(index -> index.parts().stream().noneMatch(part -> gone.contains(part.part()))).toList();
        List<Index> exchanged = entity.indexes().stream().map(index -> exchanged(index, gone, new InheritedPart(id)))
                .flatMap(Optional::stream).toList();
        state.put(state.design().with(entity
                .withMembers(entity.members().stream().filter(members::contains).toList())
                .withPrimaryKey(entity.primaryKey().stream().filter(part -> !gone.contains(part)).toList())
                .withAlternateKeys(List.of()).withIndexes(indexes)));
        if (!state.apply(new Change.AddRelationship(relationship, identifying), what)) {
            state.put(before);
            return;
        }
        Entity now = state.design().entities().find(entity.id()).orElseThrow();
        state.put(state.design().with(now.withMembers(members).withPrimaryKey(primary).withAlternateKeys(alternates)
                .withIndexes(exchanged)));
    }

    /** An index on the reference instead of on all of its columns; nothing if it is on some of them only. */
    private static Optional<Index> exchanged(Index index, List<KeyPart> gone, KeyPart one) {
        List<IndexPart> parts = new ArrayList<>();
        Set<KeyPart> left = new HashSet<>(gone);
        for (IndexPart part : index.parts()) {
            if (!gone.contains(part.part())) {
                parts.add(part);
            } else if (left.size() == gone.size()) {
                parts.add(new IndexPart(one, part.descending()));
            }
            left.remove(part.part());
        }
        boolean some = !left.isEmpty() && left.size() < gone.size();
        return some ? Optional.empty() : Optional.of(new Index(index.name(), index.unique(), parts));
    }

    private static List<KeyPart> exchanged(List<KeyPart> parts, List<KeyPart> gone, KeyPart one, boolean takes) {
        List<KeyPart> result = new ArrayList<>();
        for (KeyPart part : parts) {
            if (!gone.contains(part)) {
                result.add(part);
            } else if (takes && !result.contains(one)) {
                result.add(one);
            }
        }
        return result;
    }
}
