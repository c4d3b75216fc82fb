package entaxis.core.derive;

import java.util.List;

/** What a table takes from a parent: its names and its key. */
record ParentKey(String entity, String table, List<DerivedColumn> columns) { }
