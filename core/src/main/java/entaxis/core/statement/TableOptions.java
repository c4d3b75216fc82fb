package entaxis.core.statement;

import entaxis.core.schema.Partitioning;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;

/**
 * What stands behind the brackets of CREATE TABLE.
 *
 * @param firstNumber       what the columns that count by themselves begin with
 * @param withoutReferences where it names a storage engine that keeps no references
 * @param storage           whether it says how rows are stored
 * @param partitioning      by what the rows are split among tables of their own
 */
public record TableOptions(Optional<String> comment, OptionalLong firstNumber, OptionalInt withoutReferences,
        boolean storage, Optional<Partitioning> partitioning) {
    /** No options. */
    public static final TableOptions NONE =
            new TableOptions(Optional.empty(), OptionalLong.empty(), OptionalInt.empty(), false, Optional.empty());
}
