package entaxis.core.derive;

import entaxis.core.design.Design;
import entaxis.core.design.OwnerId;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;

/** The schema that follows from a design, and which table follows from what. */
public final class Derivation {
    private final Schema schema;
    private final SequencedMap<OwnerId, Table> tables;

    private Derivation(List<Table> tables) {
        this.schema = new Schema(tables);
        this.tables = new LinkedHashMap<>();
        tables.forEach(table -> this.tables.put(table.origin().orElseThrow(), table));
    }

    /** Derives the schema. A pure function of the design; runs in time linear in the columns that result. */
    public static Derivation of(Design design) {
        return new Derivation(new Deriver(design).tables());
    }

    /** Derives the schema after an edit. Tables that came out the same are the very same objects as before, so that what was made of them can be kept. */
    public static Derivation after(Derivation before, Design design) {
        List<Table> tables = new ArrayList<>();
        for (Table table : new Deriver(design).tables()) {
            Table old = before.tables.get(table.origin().orElseThrow());
            tables.add(table.equals(old) ? old : table);
        }
        return new Derivation(tables);
    }

    /** All tables, those of entities first. */
    public Schema schema() {
        return schema;
    }

    /** The table of an entity or many-to-many; none for other relationships. */
    public Optional<Table> table(OwnerId owner) {
        return Optional.ofNullable(tables.get(owner));
    }

    /** The tables by what they come from. */
    public Map<OwnerId, Table> tables() {
        return tables;
    }
}
