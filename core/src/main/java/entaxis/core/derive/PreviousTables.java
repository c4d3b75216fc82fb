package entaxis.core.derive;

import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import java.util.Map;
import java.util.Optional;

/** What an earlier run of the derivation made, table by table. */
record PreviousTables(OwnColumns columns, Map<OwnerId, CachedTable> tables) {

    /** Nothing, as before the first run. */
    static PreviousTables none(Design design) {
        return new PreviousTables(OwnColumns.of(design), Map.of());
    }

    /** What of it may still hold for a design: nothing where names or types are made otherwise now. */
    PreviousTables over(Design next) {
        return columns.sameWaysIn(next) ? new PreviousTables(columns.over(next), tables) : none(next);
    }

    Optional<CachedTable> made(OwnerId owner) {
        return Optional.ofNullable(tables.get(owner));
    }
}
