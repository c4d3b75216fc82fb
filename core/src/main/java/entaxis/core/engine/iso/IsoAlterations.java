package entaxis.core.engine.iso;

import entaxis.core.migration.Alterations;
import entaxis.core.targets.Target;

/** ISO/IEC 9075-2 as it stands. */
public final class IsoAlterations extends Alterations {
    /** Registered as a service. */
    public IsoAlterations() {
        super(Target.ISO);
    }
}
