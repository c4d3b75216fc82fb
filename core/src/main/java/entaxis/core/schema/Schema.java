package entaxis.core.schema;

import java.util.List;
import java.util.Optional;

/**
 * What belongs together in a database, each in the order in which it is created.
 *
 * @param programs   views, routines and triggers, carried as text
 * @param extensions what has to be added to the engine first, by name (PostgreSQL manual, CREATE EXTENSION)
 */
public record Schema(List<TypeDefinition> types, List<Sequence> sequences, List<Table> tables, List<Program> programs,
        List<String> extensions) {
    /** Copies the lists. */
    public Schema {
        extensions = List.copyOf(extensions);
        types = List.copyOf(types);
        sequences = List.copyOf(sequences);
        tables = List.copyOf(tables);
        programs = List.copyOf(programs);
    }

    /** A schema that needs no extensions. */
    public Schema(List<TypeDefinition> types, List<Sequence> sequences, List<Table> tables, List<Program> programs) {
        this(types, sequences, tables, programs, List.of());
    }

    /** A schema of types and tables. */
    public Schema(List<TypeDefinition> types, List<Table> tables) {
        this(types, List.of(), tables, List.of());
    }

    /** A schema without types of its own. */
    public Schema(List<Table> tables) {
        this(List.of(), tables);
    }

    /** The table of a name as people are told it. Linear in the number of tables. */
    public Optional<Table> table(String label) {
        return tables.stream().filter(table -> table.label().equals(label)).findFirst();
    }

    /** The same with other tables. */
    public Schema over(List<Table> newTables) {
        return new Schema(types, sequences, newTables, programs, extensions);
    }

    /** The same without views and routines. */
    public Schema withoutPrograms() {
        return programs.isEmpty() ? this : new Schema(types, sequences, tables, List.of(), extensions);
    }

    /** The same with these extensions. */
    public Schema with(List<String> newExtensions) {
        return newExtensions.equals(extensions) ? this
                : new Schema(types, sequences, tables, programs, newExtensions);
    }

    /** How many foreign keys all tables have together. */
    public int foreignKeys() {
        return tables.stream().mapToInt(table -> table.foreignKeys().size()).sum();
    }
}
