package entaxis.core.engine.iso;

import entaxis.core.design.Target;
import entaxis.core.migration.Alterations;

/** ISO/IEC 9075-2 as it stands. */
public final class IsoAlterations extends Alterations {
    /** Registered as a service. */
    public IsoAlterations() {
        super(Target.ISO);
    }
}
