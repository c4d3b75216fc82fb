package entaxis.core.reconcile;

import entaxis.core.schema.Table;
import entaxis.core.sql.IsoNormalizer;

/** How tables are told apart by name. */
public final class TableNames {
    private TableNames() { }

    /** The name of a table, with its schema unless that is the usual one. */
    public static String of(Table table) {
        return of(table.namespace(), table.name());
    }

    /** The name of a table of a schema. */
    public static String of(String namespace, String name) {
        return namespace.isEmpty() || IsoNormalizer.usual(namespace) ? name : namespace + "." + name;
    }
}
