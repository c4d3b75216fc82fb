package entaxis.core.engine.sqlite;

import entaxis.core.migration.Alterations;
import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import entaxis.core.targets.Target;
import java.util.List;
import java.util.Optional;

/** SQLite documentation, ALTER TABLE. */
public final class SqliteAlterations extends Alterations {
    /** Registered as a service. */
    public SqliteAlterations() {
        super(Target.SQLITE);
    }

    @Override
    public boolean transactional() {
        return true;
    }

    @Override
    public boolean viewsBind() {
        return true;
    }

    /** There are no comments to change. */
    @Override
    public List<String> tableComment(Table table) {
        return List.of();
    }

    @Override
    public List<String> columnComment(Table table, Column column, boolean first) {
        return List.of();
    }

    @Override
    public boolean triggersBind() {
        return true;
    }

    /** SQLite documentation, ALTER TABLE, “Making Other Kinds Of Table Schema Changes”. */
    @Override
    public boolean altersColumns() {
        return false;
    }

    /** SQLite documentation, PRAGMA foreign_keys: it cannot be said within a transaction. */
    @Override
    public Optional<String> suspendReferences() {
        return Optional.of("PRAGMA foreign_keys = off");
    }

    /** SQLite documentation, PRAGMA foreign_key_check. */
    @Override
    public Optional<String> brokenReferences() {
        return Optional.of("PRAGMA foreign_key_check");
    }

    @Override
    public Optional<String> resumeReferences() {
        return Optional.of("PRAGMA foreign_keys = on");
    }

    /** SQLite documentation, PRAGMA busy_timeout. */
    @Override
    public Optional<String> lockLimit(long seconds) {
        return Optional.of("PRAGMA busy_timeout = " + seconds * 1000);
    }
}
