package entaxis.core.engine.sqlserver;

import entaxis.core.reconcile.CatalogWording;
import entaxis.core.targets.Target;
import java.util.regex.Pattern;

/** SQL Server documentation, sys.sql_modules: the statements are kept as they were written. */
public final class SqlServerWording extends CatalogWording {
    private static final Pattern MADE_UP =
            Pattern.compile("(PK|UQ|FK|CK|DF)__.*__[0-9A-F]{8,16}", Pattern.CASE_INSENSITIVE);

    @Override
    public boolean isMadeUp(String name) {
        return MADE_UP.matcher(name).matches();
    }

    @Override
    public boolean keepsStatements() {
        return true;
    }
    @Override
    public Target engine() {
        return Target.SQLSERVER;
    }

    @Override
    public String notRead() {
        return "privileges, synonyms, comments of views and routines, column stores, "
                + "full-text indexes, partitions";
    }
}
