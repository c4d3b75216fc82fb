package entaxis.core.derive;

import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import java.util.Map;
import java.util.Optional;

/** What an earlier run of the derivation made, table by table. */
record Earlier(OwnColumns columns, Map<OwnerId, Made> tables) {

    /** Nothing, as before the first run. */
    static Earlier none(Design design) {
        return new Earlier(OwnColumns.of(design), Map.of());
    }

    /** What of it may still hold for a design: nothing where names or types are made otherwise now. */
    Earlier over(Design next) {
        return columns.sameWaysIn(next) ? new Earlier(columns.over(next), tables) : none(next);
    }

    Optional<Made> made(OwnerId owner) {
        return Optional.ofNullable(tables.get(owner));
    }
}
