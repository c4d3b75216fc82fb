package entaxis.core.update;

import entaxis.core.change.Change;
import entaxis.core.change.RelationshipAspect;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.AlternateKey;
import entaxis.core.design.Attribute;
import entaxis.core.design.Cardinality;
import entaxis.core.design.Entity;
import entaxis.core.design.EntityId;
import entaxis.core.design.Index;
import entaxis.core.design.KeyPart.InheritedPart;
import entaxis.core.design.KeyPart;
import entaxis.core.design.Member;
import entaxis.core.design.NamedCheck;
import entaxis.core.design.Relationship;
import entaxis.core.design.RelationshipId;
import entaxis.core.expression.CanonicalForm;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Difference;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;

/** Takes keys, checks and indexes of the database over. */
final class KeyUpdate {
    private final DesignInProgress state;

    KeyUpdate(DesignInProgress state) {
        this.state = state;
    }

    /** Columns of a table as parts of its keys; none if a relationship's columns are not all among them. */
    Optional<List<KeyPart>> parts(String table, List<String> columns) {
        Optional<DerivedTable> own = state.owner(table);
        if (own.isEmpty()) {
            return Optional.empty();
        }
        List<KeyPart> parts = new ArrayList<>();
        for (String name : columns) {
            Optional<KeyPart> part = state.column(own.get(), name).map(column -> column.path().part());
            if (part.isEmpty()) {
                return Optional.empty();
            }
            if (!parts.contains(part.get())) {
                parts.add(part.get());
            }
        }
        Set<String> wanted = columns.stream().map(state.dialect()::stored).collect(Collectors.toSet());
        boolean whole = own.get().columns().stream()
                .filter(column -> column.migrated() && parts.contains(column.path().part()))
                .allMatch(column -> wanted.contains(state.dialect().stored(column.name())));
        return whole ? Optional.of(parts) : Optional.empty();
    }

    void primaryKey(Difference difference) {
        List<String> columns = state.there(difference.table()).map(Table::keyColumns).orElse(List.of());
        Optional<Entity> entity = state.entityOf(difference.table());
        Optional<List<KeyPart>> parts = parts(difference.table(), columns);
        if (entity.isEmpty() || parts.isEmpty()) {
            state.leave("The primary key of " + difference.table()
                    + " takes columns that the design keeps together otherwise.");
            return;
        }
        for (KeyPart part : entity.get().primaryKey()) {
            if (!parts.get().contains(part)) {
                setKey(entity.get().id(), part, OptionalInt.empty(), difference.table());
            }
        }
        for (int i = 0; i < parts.get().size(); i++) {
            setKey(entity.get().id(), parts.get().get(i), OptionalInt.of(i + 1), difference.table());
        }
    }

    private void setKey(EntityId id, KeyPart part, OptionalInt rank, String table) {
        Set<Integer> alternates = new HashSet<>();
        state.design().entities().find(id).ifPresent(entity -> entity.alternateKeys().stream()
                .filter(key -> key.parts().contains(part)).forEach(key -> alternates.add(key.number())));
        state.apply(new Change.SetKeys(id, part, rank, alternates), "The primary key of " + table);
    }

    void unique(Difference difference) {
        Optional<Entity> found = state.entityOf(difference.table());
        if (found.isEmpty() || difference.aspect() == Aspect.NAME) {
            return;
        }
        Entity entity = found.get();
        Optional<UniqueKey> before = state.owner(difference.table()).map(DerivedTable::table)
                .flatMap(table -> table.uniqueKeys().stream().filter(key -> isWanted(key, difference)).findFirst());
        if (before.isPresent()) {
            Optional<List<KeyPart>> parts = parts(difference.table(), before.get().columns());
            List<AlternateKey> rest = entity.alternateKeys().stream()
                    .filter(key -> parts.isEmpty() || !new HashSet<>(key.parts()).equals(new HashSet<>(parts.get())))
                    .toList();
            boolean ofOneToOne = rest.size() == entity.alternateKeys().size() && parts.isPresent()
                    && parts.get().size() == 1 && parts.get().getFirst() instanceof InheritedPart;
            if (ofOneToOne) {
                howMany(((InheritedPart) parts.get().getFirst()).relationship(), Cardinality.ZERO_OR_MORE, difference);
            } else {
                state.put(state.design().with(entity.withAlternateKeys(rest)));
            }
        }
        if (!difference.added()) {
            Optional<UniqueKey> now = state.there(difference, Table::uniqueKeys);
            now.flatMap(key -> parts(difference.table(), key.columns())).ifPresentOrElse(parts -> {
                if (parts.size() == 1 && parts.getFirst() instanceof InheritedPart(RelationshipId relationship)) {
                    howMany(relationship, Cardinality.ZERO_OR_ONE, difference);
                } else {
                    Entity own = state.design().entities().find(entity.id()).orElseThrow();
                    int number = own.alternateKeys().stream().mapToInt(AlternateKey::number).max().orElse(0) + 1;
                    List<AlternateKey> more = new ArrayList<>(own.alternateKeys());
                    more.add(new AlternateKey(number, parts));
                    state.put(state.design().with(own.withAlternateKeys(more)));
                }
            }, () -> state.leave("The unique key " + difference.name() + " of " + difference.table()
                    + " takes columns that the design keeps together otherwise."));
        }
    }

    /** Whether a key that follows from the design is the one that it has of a difference. */
    private boolean isWanted(UniqueKey key, Difference difference) {
        List<String> columns = key.columns().stream().map(state.dialect()::stored).toList();
        return difference.want().filter(part -> part instanceof UniqueKey own && own.columns().equals(columns))
                .isPresent();
    }

    private void howMany(RelationshipId id, Cardinality cardinality, Difference difference) {
        state.design().relationships().find(id).flatMap(Relationship::child)
                .ifPresent(child -> state.apply(
                        new Change.AlterRelationship(id, new RelationshipAspect.HowMany(child, cardinality)),
                        difference.place()));
    }

    void check(Difference difference) {
        Optional<Entity> found = state.entityOf(difference.table());
        if (found.isEmpty() || difference.aspect() == Aspect.NAME) {
            return;
        }
        Entity entity = found.get();
        if (difference.want().isPresent() && difference.want().get() instanceof CheckRule wanted) {
            String sense = wanted.condition().canonical();
            List<NamedCheck> rest = entity.checks().stream()
                    .filter(check -> !CanonicalForm.of(check.condition()).equals(sense)).toList();
            List<Member> members = entity.members().stream()
                    .map(member -> member instanceof Attribute attribute
                            && attribute.check().filter(text -> CanonicalForm.of(text).equals(sense)).isPresent()
                    ? attribute.withCheck(Optional.empty()) : member).toList();
            boolean stays = rest.size() == entity.checks().size() && members.equals(entity.members());
            if (stays) {
                state.leave("The check " + difference.name() + " of " + difference.table()
                        + " follows from a type or a rule of the design.");
            }
            entity = entity.withChecks(rest).withMembers(members);
        }
        if (!difference.added()) {
            List<NamedCheck> more = new ArrayList<>(entity.checks());
            state.there(difference, Table::checks)
                    .ifPresent(check -> more.add(new NamedCheck(check.name(), check.condition().text())));
            entity = entity.withChecks(more);
        }
        state.put(state.design().with(entity));
    }

    /** Exclusion constraints have no ISO words. */
    private static List<TableIndex> indexes(Table table) {
        return table.indexes().stream().filter(index -> !index.excludes()).toList();
    }

    void index(Difference difference) {
        Optional<Entity> found = state.entityOf(difference.table());
        if (found.isEmpty()) {
            return;
        }
        List<Index> indexes = new ArrayList<>(found.get().indexes());
        Optional<Table> own = state.owner(difference.table()).map(DerivedTable::table);
        if (!difference.removed() && own.isPresent()) {
            int at = own.get().indexes().stream().map(TableIndex::name).toList().indexOf(difference.name());
            if (at >= 0 && at < indexes.size()) {
                indexes.remove(at);
            }
        }
        if (!difference.added()) {
            String name = difference.aspect() == Aspect.NAME ? difference.from() : difference.name();
            Optional<TableIndex> wanted = state.there(difference, KeyUpdate::indexes);
            boolean plain = wanted.isPresent() && wanted.get().predicate().isEmpty()
                    && wanted.get().columns().stream()
                            .noneMatch(part -> part.expression() || part.prefix().isPresent());
            Optional<List<KeyPart>> parts = plain
                    ? parts(difference.table(),
                            wanted.get().columns().stream().map(TableIndex.IndexColumn::name).toList())
                    : Optional.empty();
            if (parts.isEmpty()) {
                state.leave("The index " + name + " of " + difference.table() + " is one that designs do not keep.");
                return;
            }
            boolean falling = wanted.get().columns().getFirst().descending();
            indexes.add(new Index(wanted.get().name(), wanted.get().unique(),
                    parts.get().stream().map(part -> new Index.IndexPart(part, falling)).toList()));
        }
        state.apply(new Change.SetIndexes(found.get().id(), indexes), "The index " + difference.name());
    }
}
