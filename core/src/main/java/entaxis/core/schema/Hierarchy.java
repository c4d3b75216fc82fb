package entaxis.core.schema;

import entaxis.core.expression.Expression;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/**
 * What a table has to do with others that hold rows of the same form: it inherits from them, is a partition of one, or
 * is split into partitions (PostgreSQL manual, 5.11 “Inheritance” and 5.12 “Table Partitioning”).
 *
 * @param parents      the tables whose columns it has, in order; the one that it is a partition of, if it is one
 * @param bound        which rows of its parent it holds, if it is a partition
 * @param partitioning by what its rows are split among partitions, if they are
 */
public record Hierarchy(List<QualifiedName> parents, Optional<PartitionBound> bound,
        Optional<Partitioning> partitioning) {
    /** That of a table that stands alone. */
    public static final Hierarchy NONE = new Hierarchy(List.of(), Optional.empty(), Optional.empty());

    /**
     * Copies the parents.
     *
     * @throws IllegalArgumentException if it is a partition of none or of several tables
     */
    public Hierarchy {
        parents = List.copyOf(parents);
        if (bound.isPresent() && parents.size() != 1) {
            throw new IllegalArgumentException("a partition belongs to one table, not to " + parents);
        }
    }

    /** That of a table which inherits from others. */
    public static Hierarchy inheriting(List<QualifiedName> parents) {
        return new Hierarchy(parents, Optional.empty(), Optional.empty());
    }

    /** That of a partition of a table. */
    public static Hierarchy partitionOf(QualifiedName whole, PartitionBound bound) {
        return new Hierarchy(List.of(whole), Optional.of(bound), Optional.empty());
    }

    /** The same with its rows split among partitions. */
    public Hierarchy partitioned(Partitioning by) {
        return new Hierarchy(parents, bound, Optional.of(by));
    }

    /** Whether the table is a partition of another. */
    public boolean isPartition() {
        return bound.isPresent();
    }

    /** Its parents as a sentence names them; empty without any. */
    public String parentsInWords() {
        return parents.stream().map(QualifiedName::label).collect(Collectors.joining(" and "));
    }

    /** The same with its parents called otherwise. */
    public Hierarchy renamed(UnaryOperator<QualifiedName> names) {
        return new Hierarchy(parents.stream().map(names).toList(), bound, partitioning);
    }

    /** The same with the columns that the rows are split by called otherwise, and expressions exchanged. */
    public Hierarchy withKey(UnaryOperator<String> column, UnaryOperator<Expression> expression) {
        return new Hierarchy(parents, bound, partitioning.map(by -> by.worded(column, expression)));
    }

    /** The same with its expressions said in other words. */
    public Hierarchy worded(UnaryOperator<Expression> words) {
        return new Hierarchy(parents, bound.map(own -> own.worded(words)),
                partitioning.map(by -> by.worded(column -> column, words)));
    }
}
