package entaxis.core.engine.mariadb;

import entaxis.core.engine.mysql.MySqlAlterations;
import entaxis.core.targets.Target;

/** MariaDB manual, ALTER TABLE: MySQL but for what is said here. */
public final class MariaDbAlterations extends MySqlAlterations {
    /** Registered as a service. */
    public MariaDbAlterations() {
        super(Target.MARIADB);
    }

    /** MariaDB manual, “JSON Data Type”: the check goes by the name that the column had when it was made. */
    @Override
    public boolean documentChecksFollowRenames() {
        return false;
    }

    /** Seen in version 11.4. */
    @Override
    public boolean keepsConstantChecks() {
        return false;
    }

    /** MariaDB manual, ALTER TABLE: DROP INDEX IF EXISTS. */
    @Override
    public boolean dropsIndexIfThere() {
        return true;
    }
}
