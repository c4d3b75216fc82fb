package entaxis.core.engine.duckdb;

import entaxis.core.reconcile.CatalogWording;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;

/** What the catalog of DuckDB rewrites (DuckDB documentation, “Metadata Functions”; seen on DuckDB 1.5). */
public final class DuckDbWording extends CatalogWording {
    @Override
    public Target engine() {
        return Target.DUCKDB;
    }

    @Override
    public String defaultMeaning(String neutral, String canonical, SqlType type) {
        return type instanceof SqlType.BooleanType
                ? DuckDbExpression.truth(neutral).map(String::valueOf).orElse(canonical) : canonical;
    }

    @Override
    public boolean tellsProgramComments() {
        return true;
    }

    @Override
    public String notRead() {
        return "macros, named types that no column tells, what is attached, secrets";
    }
}
