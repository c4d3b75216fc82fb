package entaxis.core.reverse;

import entaxis.core.design.Partitions.Partition;
import entaxis.core.design.Partitions.Split;
import entaxis.core.design.Partitions;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.Column;
import entaxis.core.schema.Hierarchy;
import entaxis.core.schema.OwnParts;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.CreationOrder;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The partitions of a schema's tables, which become no entities: their rows are rows of the whole. Linear in the
 * tables.
 *
 * @param ofWhole   how each partitioned table is split, by its name
 * @param wholes    the table that holds the rows of each partition, by the name of the partition
 * @param remarks   what partitions and children have that a design does not hold
 */
public record ReversedPartitions(Map<QualifiedName, Partitions> ofWhole, Map<QualifiedName, QualifiedName> wholes,
        List<String> remarks) {
    /** Copies the collections. */
    public ReversedPartitions {
        ofWhole = Map.copyOf(ofWhole);
        wholes = Map.copyOf(wholes);
        remarks = List.copyOf(remarks);
    }

    /**
     * The partitions of a schema.
     *
     * @param bridges labels of tables that become no entities; what is a part of one does not either
     */
    public static ReversedPartitions of(Schema schema, Set<String> bridges) {
        Map<QualifiedName, QualifiedName> wholes = new HashMap<>();
        Map<QualifiedName, List<Partition>> partitions = new HashMap<>();
        Map<QualifiedName, Split> splits = new HashMap<>();
        List<String> remarks = new ArrayList<>();
        Set<QualifiedName> names = schema.tables().stream().map(Table::qualifiedName).collect(Collectors.toSet());
        Map<QualifiedName, Table> own = Table.byName(OwnParts.of(schema.tables()));
        for (Table table : new CreationOrder(schema.tables()).parentsFirst()) {
            Hierarchy hierarchy = table.knownHierarchy();
            Optional<QualifiedName> parent = hierarchy.parents().stream().findFirst()
                    .filter(name -> hierarchy.isPartition() && names.contains(name)
                            && name.namespace().equals(table.namespace()));
            Optional<Split> split = hierarchy.partitioning().map(by -> split(by, table, remarks));
            if (parent.isPresent()) {
                QualifiedName whole = wholes.getOrDefault(parent.get(), parent.get());
                wholes.put(table.qualifiedName(), whole);
                String of = whole.equals(parent.get()) ? "" : parent.get().name();
                partitions.computeIfAbsent(whole, any -> new ArrayList<>())
                        .add(new Partition(table.name(), of, hierarchy.bound().orElseThrow(), split));
                deviations(own.get(table.qualifiedName()), remarks);
            } else {
                split.filter(by -> !bridges.contains(table.label()))
                        .ifPresent(by -> splits.put(table.qualifiedName(), by));
                children(table, remarks);
            }
        }
        Map<QualifiedName, Partitions> ofWhole = new HashMap<>();
        splits.forEach((whole, split) -> ofWhole.put(whole,
                new Partitions(split, partitions.getOrDefault(whole, List.of()))));
        return new ReversedPartitions(ofWhole, wholes, remarks);
    }

    private static Split split(Partitioning by, Table table, List<String> remarks) {
        if (by.key().stream().anyMatch(part -> !part.ordering().isDefault())) {
            remarks.add(table.label() + ": collations and operator classes that its rows are split by are left out.");
        }
        return Split.of(by);
    }

    private static void children(Table table, List<String> remarks) {
        if (!table.knownHierarchy().parents().isEmpty()) {
            remarks.add(table.label() + ": that it inherits from " + table.knownHierarchy().parentsInWords()
                    + " is left out; it becomes an entity with all of its columns.");
        }
    }

    /** What a partition has otherwise than the whole. */
    private static void deviations(Table own, List<String> remarks) {
        List<String> parts = Stream.of(own.columns().stream().map(Column::name).map(name -> "what it says of " + name),
                own.primaryKey().stream().map(key -> "the primary key " + key.name()),
                own.uniqueKeys().stream().map(key -> "the unique key " + key.name()),
                own.checks().stream().map(CheckRule::name).map(name -> "the check " + name),
                own.foreignKeys().stream().map(key -> "the foreign key " + key.name()),
                own.indexes().stream().map(index -> "the index " + index.name()),
                Stream.of(own.comment()).filter(comment -> !comment.isEmpty()).map(comment -> "its comment"))
                .flatMap(all -> all).toList();
        if (!parts.isEmpty()) {
            remarks.add(own.label() + ": a partition has what the whole has; " + String.join(", ", parts)
                    + (parts.size() == 1 ? " is left out." : " are left out."));
        }
    }
}
