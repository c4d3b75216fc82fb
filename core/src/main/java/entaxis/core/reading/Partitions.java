package entaxis.core.reading;

import entaxis.core.schema.ForeignKey;

/** What partitions get of the whole that they belong to (PostgreSQL manual, 5.12). */
final class Partitions {
    private final Constraints constraints;
    private final Indexes indexes;

    Partitions(Constraints constraints, Indexes indexes) {
        this.constraints = constraints;
        this.indexes = indexes;
    }

    /** Gives partitions a reference that the whole has got. */
    static void partsGet(TableBuilder whole, ForeignKey key) {
        whole.heirs.stream().filter(heir -> heir.partition).forEach(part -> {
            add(part, key);
            partsGet(part, key);
        });
    }

    private static void add(TableBuilder part, ForeignKey key) {
        if (part.foreignKeys.stream().noneMatch(own -> own.columns().equals(key.columns())
                && own.referenced().equals(key.referenced()))) {
            part.foreignKeys.add(key);
        }
    }

    /**
     * PostgreSQL manual, ALTER TABLE ... ATTACH PARTITION: the partition gets the keys of the whole that it does not
     * have.
     */
    void attach(TableBuilder whole, TableBuilder part) {
        whole.heirs.add(part);
        part.partition = true;
        whole.primaryKey.ifPresent(key -> {
            if (part.primaryKey.isEmpty()) {
                constraints.setPrimaryKey(part, "", key.columns(), 0);
            }
        });
        whole.uniqueKeys.stream()
                .filter(key -> part.uniqueKeys.stream().noneMatch(own -> own.columns().equals(key.columns())))
                .toList().forEach(key -> constraints.addUnique(part, "", key.columns(), 0));
        whole.foreignKeys.forEach(key -> add(part, key));
        whole.indexes.stream()
                .filter(index -> part.indexes.stream().noneMatch(own -> own.columns().equals(index.columns()))).toList()
                .forEach(index -> indexes.copy(part, index));
    }
}
