package entaxis.core.design;

import entaxis.core.expression.Expression;
import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.schema.Partitioning.Method;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * How the rows of an entity's table are split among partitions, where the engine has partitions that are tables
 * (PostgreSQL manual, 5.12).
 *
 * @param split      by what they are split
 * @param partitions the partitions, each behind the one that it is part of
 */
public record Partitions(Split split, List<Partition> partitions) {
    /** Copies the list. */
    public Partitions {
        partitions = List.copyOf(partitions);
    }

    /**
     * By what rows are split.
     *
     * @param key columns, by the SQL names of their attributes, and expressions
     */
    public record Split(Method method, List<String> key) {
        /** Copies the key. */
        public Split {
            key = List.copyOf(key);
        }

        /** What a table is split by, in the words of a design. */
        public static Split of(Partitioning by) {
            return new Split(by.method(), by.key().stream().map(part -> part.computed().map(Expression::text)
                    .orElseGet(() -> SqlName.quoted(part.column()))).toList());
        }

        /** As it stands behind PARTITION BY. */
        public String text() {
            return method + " (" + String.join(", ", key) + ")";
        }

        /** The same with its columns and expressions in other words. */
        public Split worded(UnaryOperator<String> words) {
            return new Split(method, key.stream().map(words).toList());
        }
    }

    /**
     * A partition.
     *
     * @param name  what its table is called
     * @param of    the partition that it is part of; empty for one of the whole
     * @param bound which rows it holds
     * @param split by what its own rows are split, if they are
     */
    public record Partition(String name, String of, PartitionBound bound, Optional<Split> split) { }

    /** The same with other partitions. */
    public Partitions with(List<Partition> others) {
        return new Partitions(split, others);
    }

    /** The same with columns and expressions in other words. */
    public Partitions worded(UnaryOperator<String> words) {
        return new Partitions(split.worded(words), partitions.stream().map(partition -> new Partition(partition.name(),
                partition.of(), partition.bound(), partition.split().map(own -> own.worded(words)))).toList());
    }
}
