package entaxis.core.migration;

import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.Merge;
import entaxis.core.reconcile.Reconciliation;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.Supplier;

/**
 * The scripts that follow from a reconciliation and from what was decided.
 *
 * @param merge what the changed side becomes, and what could not be taken over
 * @param forth takes it there
 * @param back  takes it back to what it was; worked out when it is asked for
 */
public record TwoWays(Merge merge, Migration forth, Supplier<Migration> back) {
    /**
     * Where the script would stop half-way, and why; nothing if it goes through. Linear in both schemas.
     *
     * @param sides what the script was made of
     */
    public Optional<String> stop(Reconciliation sides) {
        return forth.isEmpty() ? Optional.empty() : ScriptModel.stop(sides.have(), forth);
    }

    /**
     * The scripts.
     *
     * @param taken which differences are taken over
     * @param fills what rows get where a column begins to require a value
     */
    public static TwoWays of(Reconciliation sides, Predicate<Difference> taken, Fills fills) {
        Merge merge = sides.merge(taken);
        return new TwoWays(merge, Migration.of(sides.have(), merge.schema(), sides.dialect(), merge.pairing(), fills),
                () -> Migration.of(merge.schema(), sides.have(), sides.dialect(), merge.pairing().reversed(),
                        Fills.NONE));
    }
}
