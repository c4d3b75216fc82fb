package entaxis.core.migration;

import entaxis.core.sql.Dialect;

/** ISO/IEC 9075-2 as it stands. */
final class IsoAlterations extends Alterations {
    IsoAlterations(Dialect dialect) {
        super(dialect);
    }
}
