package entaxis.core.engine.sqlite;

import entaxis.core.reconcile.CatalogWording;
import entaxis.core.targets.Target;
import java.util.regex.Pattern;

/** SQLite documentation, “The Schema Table”: the statements are kept as they were written. */
public final class SqliteWording extends CatalogWording {
    private static final Pattern MADE_UP = Pattern.compile("sqlite_autoindex_.*");

    @Override
    public boolean isMadeUp(String name) {
        return MADE_UP.matcher(name).matches();
    }

    @Override
    public boolean tellsNumbering() {
        return false;
    }

    /** SQLite documentation, CREATE TABLE: an index for each set of columns. */
    @Override
    public boolean mergesEqualKeys() {
        return true;
    }

    @Override
    public boolean keepsStatements() {
        return true;
    }
    @Override
    public Target engine() {
        return Target.SQLITE;
    }

    /** SQLite documentation, ALTER TABLE RENAME: also within triggers and views. */
    @Override
    public boolean programsFollowRenames() {
        return true;
    }

    @Override
    public String notRead() {
        return "virtual tables";
    }
}
