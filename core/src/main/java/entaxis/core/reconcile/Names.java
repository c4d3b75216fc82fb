package entaxis.core.reconcile;

import entaxis.core.schema.Table;
import java.util.Set;

/** How tables are told apart by name. */
public final class Names {
    private static final Set<String> USUAL = Set.of("", "public", "dbo", "main", "PUBLIC");

    private Names() { }

    /** The name of a table, with its schema unless that is the usual one. */
    public static String of(Table table) {
        return of(table.namespace(), table.name());
    }

    /** The name of a table of a schema. */
    public static String of(String namespace, String name) {
        return USUAL.contains(namespace) ? name : namespace + "." + name;
    }
}
