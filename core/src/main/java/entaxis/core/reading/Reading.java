package entaxis.core.reading;

import entaxis.core.schema.Schema;
import entaxis.core.targets.Target;
import java.util.List;

/**
 * What was read.
 *
 * @param schema        what is there once all statements have been run
 * @param rows          the first rows that the script puts into each table
 * @param statements    how many statements there were
 */
public record Reading(Target engine, Schema schema, List<ReadRow> rows, List<SteppedOver> steppedOver,
        List<NotUnderstood> notUnderstood, int statements) {
    /** Copies the lists. */
    public Reading {
        rows = List.copyOf(rows);
        steppedOver = List.copyOf(steppedOver);
        notUnderstood = List.copyOf(notUnderstood);
    }

    /** Whether every statement was understood or stepped over on purpose. */
    public boolean complete() {
        return notUnderstood.isEmpty();
    }
}
