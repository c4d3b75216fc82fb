package entaxis.core.sql;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The references that an engine can have: some take none to a table that is made later, so that one of each circle has
 * to go, and none into another schema. What goes is said. Linear.
 */
final class PossibleReferences {
    private final Dialect dialect;
    private final List<AdaptationNote> findings;
    /** When each table is made. */
    private final Map<QualifiedName, Integer> made = new HashMap<>();

    private PossibleReferences(List<Table> tables, Dialect dialect, List<AdaptationNote> findings) {
        this.dialect = dialect;
        this.findings = findings;
        for (Table table : new CreationOrder(tables).tables()) {
            made.put(table.qualifiedName(), made.size());
        }
    }

    /** The tables without the references that the engine does not take. */
    static List<Table> of(List<Table> tables, Dialect dialect, List<AdaptationNote> findings) {
        if (dialect.refersAhead() && dialect.refersAcrossSchemas()) {
            return tables;
        }
        PossibleReferences possible = new PossibleReferences(tables, dialect, findings);
        return tables.stream().map(possible::left).toList();
    }

    private Table left(Table table) {
        List<ForeignKey> keys = new ArrayList<>(table.foreignKeys());
        keys.removeIf(key -> goes(table, key));
        return keys.size() == table.foreignKeys().size() ? table : table.referring(keys);
    }

    private boolean goes(Table table, ForeignKey key) {
        if (!dialect.refersAhead()
                && made.getOrDefault(key.referenced(), 0) > made.getOrDefault(table.qualifiedName(), 0)) {
            say(table, key, "it closes a circle of references, which is not possible; it is left out");
            return true;
        }
        if (!dialect.refersAcrossSchemas() && !key.referenced().namespace().equals(table.namespace())) {
            say(table, key, "it leads into another schema, which is not possible; it is left out");
            return true;
        }
        return false;
    }

    private void say(Table table, ForeignKey key, String words) {
        findings.add(new AdaptationNote(AdaptationNote.Kind.LOST, table.label(), key.name(), words));
    }
}
