package entaxis.core.reading;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.PrimaryKey;
import entaxis.core.schema.TableIndex;
import entaxis.core.schema.UniqueKey;
import java.util.List;
import java.util.Optional;

/** What partitions get and lose with the whole that they belong to (PostgreSQL manual, 5.12). */
final class Partitions {
    private final Constraints constraints;
    private final Indexes indexes;

    Partitions(Constraints constraints, Indexes indexes) {
        this.constraints = constraints;
        this.indexes = indexes;
    }

    /** The keys, references and indexes of a table at one moment. */
    record Parts(Optional<PrimaryKey> primaryKey, List<UniqueKey> uniqueKeys, List<ForeignKey> references,
            List<TableIndex> indexes) {
        /** Those that a table has now. */
        static Parts of(TableBuilder table) {
            return new Parts(table.primaryKey, List.copyOf(table.uniqueKeys), List.copyOf(table.foreignKeys),
                    List.copyOf(table.indexes));
        }
    }

    /** Gives partitions what the whole has got since a moment, and takes away what it has lost. */
    void follow(TableBuilder whole, Parts before) {
        Parts now = Parts.of(whole);
        for (TableBuilder part : whole.partitions()) {
            Parts own = Parts.of(part);
            before.primaryKey().filter(key -> now.primaryKey().isEmpty()
                    && part.primaryKey.filter(its -> its.columns().equals(key.columns())).isPresent())
                    .ifPresent(key -> part.primaryKey = Optional.empty());
            before.uniqueKeys().stream().filter(key -> !now.uniqueKeys().contains(key))
                    .forEach(key -> part.uniqueKeys.removeIf(its -> its.columns().equals(key.columns())));
            before.references().stream().filter(key -> !now.references().contains(key))
                    .forEach(key -> part.foreignKeys.removeIf(key::isAlike));
            before.indexes().stream().filter(index -> !now.indexes().contains(index))
                    .forEach(index -> part.indexes.removeIf(index::isAlike));
            get(part, new Parts(now.primaryKey(), without(now.uniqueKeys(), before.uniqueKeys()),
                    without(now.references(), before.references()), without(now.indexes(), before.indexes())));
            follow(part, own);
        }
    }

    private static <T> List<T> without(List<T> all, List<T> some) {
        return all.stream().filter(one -> !some.contains(one)).toList();
    }

    /** Gives a partition what it does not have of these. */
    private void get(TableBuilder part, Parts parts) {
        parts.primaryKey().filter(key -> part.primaryKey.isEmpty())
                .ifPresent(key -> constraints.setPrimaryKey(part, "", key.columns(), 0));
        parts.uniqueKeys().stream()
                .filter(key -> part.uniqueKeys.stream().noneMatch(own -> own.columns().equals(key.columns())))
                .forEach(key -> constraints.addUnique(part, "", key.columns(), 0));
        parts.references().stream().filter(key -> part.foreignKeys.stream().noneMatch(key::isAlike))
                .forEach(part.foreignKeys::add);
        parts.indexes().stream().filter(index -> part.indexes.stream().noneMatch(index::isAlike))
                .forEach(index -> indexes.copy(part, index));
    }

    /**
     * PostgreSQL manual, ALTER TABLE ... ATTACH PARTITION: the partition gets the keys of the whole that it does not
     * have.
     */
    void attach(TableBuilder whole, TableBuilder part, PartitionBound bound) {
        part.join(whole, Optional.of(bound));
        get(part, Parts.of(whole));
    }
}
