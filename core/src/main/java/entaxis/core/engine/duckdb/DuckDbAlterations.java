package entaxis.core.engine.duckdb;

import entaxis.core.migration.Alterations;
import entaxis.core.targets.Target;

/** DuckDB documentation, ALTER TABLE; what depends on what was seen on DuckDB 1.5. */
public final class DuckDbAlterations extends Alterations {
    /** Registered as a service. */
    public DuckDbAlterations() {
        super(Target.DUCKDB);
    }

    @Override
    public boolean transactional() {
        return true;
    }

    /** A view keeps the types of the columns that it was made with. */
    @Override
    public boolean viewsBind() {
        return true;
    }

    /** Keys, checks and references cannot be altered, and nothing of a table that something depends on. */
    @Override
    public boolean altersColumns() {
        return false;
    }

    /** “Adding columns with constraints not yet supported”. */
    @Override
    public boolean addsRequiredColumns() {
        return false;
    }

    /** DuckDB documentation, “Constraints”: references are checked before the rows of a statement are there. */
    @Override
    public boolean addsRowsThatReferToEachOther() {
        return false;
    }

    /** A table that others refer to is not dropped, and gets no other name; its columns get none either. */
    @Override
    public boolean altersReferencedTables() {
        return false;
    }
}
