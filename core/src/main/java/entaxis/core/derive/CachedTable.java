package entaxis.core.derive;

import entaxis.core.schema.Column;
import entaxis.core.schema.Table;
import java.util.List;

/** A table with all that it follows from, its own key, and the names that its constraints asked for and were given. */
record CachedTable(TableInputs origin, List<Column> key, Table table, List<ConstraintNames.Given> constraints) { }
