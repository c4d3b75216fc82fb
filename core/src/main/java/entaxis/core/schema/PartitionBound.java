package entaxis.core.schema;

import entaxis.core.expression.Expression;
import java.util.List;
import java.util.function.UnaryOperator;

/** Which rows of a table one of its partitions holds (PostgreSQL manual, CREATE TABLE, partition_bound_spec). */
public sealed interface PartitionBound {
    /**
     * Rows whose key lies between two others; {@code MINVALUE} and {@code MAXVALUE} lie below and above all values.
     *
     * @param from the first key that is in it
     * @param to   the first key that no longer is
     */
    record Range(List<Expression> from, List<Expression> to) implements PartitionBound {
        /** Copies the keys. */
        public Range {
            from = List.copyOf(from);
            to = List.copyOf(to);
        }
    }

    /** Rows whose key is one of some values. */
    record Values(List<Expression> values) implements PartitionBound {
        /** Copies the values. */
        public Values {
            values = List.copyOf(values);
        }
    }

    /** Rows whose hashed key has a remainder when it is divided by a modulus. */
    record Remainder(long modulus, long remainder) implements PartitionBound { }

    /** Rows that no other partition takes. */
    record Default() implements PartitionBound { }

    /** The same with its values said in other words. */
    default PartitionBound worded(UnaryOperator<Expression> words) {
        return switch (this) {
            case Range(var from, var to) ->
                    new Range(from.stream().map(words).toList(), to.stream().map(words).toList());
            case Values(var values) -> new Values(values.stream().map(words).toList());
            case Remainder remainder -> remainder;
            case Default other -> other;
        };
    }
}
