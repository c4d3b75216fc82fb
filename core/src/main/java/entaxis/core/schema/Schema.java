package entaxis.core.schema;

import java.util.List;
import java.util.Optional;

/** A set of types and tables, each in the order in which they are created. */
public record Schema(List<TypeDefinition> types, List<Table> tables) {
    /** Copies the lists. */
    public Schema {
        types = List.copyOf(types);
        tables = List.copyOf(tables);
    }

    /** A schema without types of its own. */
    public Schema(List<Table> tables) {
        this(List.of(), tables);
    }

    /** The table of a name. Linear in the number of tables. */
    public Optional<Table> table(String name) {
        return tables.stream().filter(table -> table.name().equals(name)).findFirst();
    }

    /** How many foreign keys all tables have together. */
    public int foreignKeys() {
        return tables.stream().mapToInt(table -> table.foreignKeys().size()).sum();
    }
}
