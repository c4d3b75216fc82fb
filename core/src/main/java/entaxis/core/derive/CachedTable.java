package entaxis.core.derive;

import java.util.List;

/** A table with all that it follows from, its own key, and the names that its constraints asked for and were given. */
record CachedTable(TableInputs inputs, List<DerivedColumn> key, DerivedTable table,
        List<ConstraintNames.Given> constraints) { }
