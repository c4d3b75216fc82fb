package entaxis.core.engine.iso;

import entaxis.core.reconcile.CatalogWording;
import entaxis.core.targets.Target;

/** ISO/IEC 9075-11, which has no words of its own for what was written. */
public final class IsoWording extends CatalogWording {
    @Override
    public boolean ignoresCase() {
        return false;
    }
    @Override
    public Target engine() {
        return Target.ISO;
    }
}
